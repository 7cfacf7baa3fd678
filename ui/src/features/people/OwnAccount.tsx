import { Button, PasswordInput } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { tellDone, tellTrouble } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';

/** The password of whoever is signed in, and an end to their sign-ins elsewhere. */
export function OwnAccount() {
  const { form, pending, submit, trouble } = useEntry(
    { old: '', password: '' },
    (body) => answer(api.PUT('/api/people/me/password', { body })),
    () => tellDone('The new password stands. Everywhere else you are signed out.'),
  );
  const elsewhere = useMutation({
    mutationFn: () => answer(api.POST('/api/people/me/sign-out-elsewhere')),
    onSuccess: () => tellDone('Everywhere else you are signed out.'),
    onError: tellTrouble,
  });
  return (
    <section className="panel stack" aria-label="Your account">
      <h2>Your account</h2>
      <form className="stack" aria-label="Another password" onSubmit={submit}>
        <PasswordInput
          label="Password until now"
          autoComplete="current-password"
          {...form.getInputProps('old')}
        />
        <PasswordInput
          label="New password"
          description="at least 8 characters"
          autoComplete="new-password"
          {...form.getInputProps('password')}
        />
        {trouble && <Trouble error={trouble} />}
        <Button type="submit" loading={pending}>
          Change the password
        </Button>
      </form>
      <Button variant="default" loading={elsewhere.isPending} onClick={() => elsewhere.mutate()}>
        Sign out everywhere else
      </Button>
    </section>
  );
}
