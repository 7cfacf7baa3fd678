import { Button, Modal, PasswordInput, TextInput } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../shared/api/client';
import { expiredKey, setMe } from '../shared/useMe';
import { forgetSnapshot } from '../shared/outbox/snapshot';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';

/** A sign-in that ran out is taken up over the page: what was being typed stays where it is. */
export default function SignInAgain({ me }: { me: Schemas['Person'] }) {
  const queries = useQueryClient();
  const { form, pending, submit, trouble } = useEntry(
    { login: '', password: '' },
    (body) => answer(api.POST('/api/people/sign-in', { body })),
    (person) => {
      queries.setQueryData(expiredKey, false);
      if (person.id === me.id) {
        void queries.invalidateQueries();
        return;
      }
      // Somebody else: nothing of whoever was here before stays.
      window.sessionStorage.clear();
      void forgetSnapshot()
        .catch(reportError)
        .then(() => window.location.assign('/'));
    },
  );
  return (
    <Modal
      opened
      onClose={() => setMe(queries, null)}
      title="Your sign-in has run out"
      closeOnClickOutside={false}
    >
      <form className="stack" onSubmit={submit} aria-label="Sign in again">
        <p>Sign in again as {me.name}: what you were typing is still there.</p>
        <TextInput label="Login" data-autofocus autoComplete="username" {...form.getInputProps('login')} />
        <PasswordInput label="Password" autoComplete="current-password" {...form.getInputProps('password')} />
        {trouble && <Trouble error={trouble} />}
        <Button type="submit" size="lg" loading={pending}>
          Sign in
        </Button>
      </form>
    </Modal>
  );
}
