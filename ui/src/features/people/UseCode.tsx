import { Button, PasswordInput, TextInput } from '@mantine/core';
import { answer, api } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';

/** Another password by the code an instructor gave. */
export default function UseCode({ onDone }: { onDone: (login: string) => void }) {
  const { form, pending, submit, trouble } = useEntry({ login: '', code: '', password: '' }, async (body) => {
    await answer(api.POST('/api/people/use-code', { body }));
    onDone(body.login);
  });
  return (
    <form className="panel stack" aria-label="By a code" onSubmit={submit}>
      <p>An instructor gives you the code. It works once, for a day.</p>
      <TextInput label="Login" size="lg" autoFocus autoComplete="username" {...form.getInputProps('login')} />
      <TextInput label="Code" size="lg" autoComplete="one-time-code" {...form.getInputProps('code')} />
      <PasswordInput
        label="New password"
        size="lg"
        autoComplete="new-password"
        {...form.getInputProps('password')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="lg" loading={pending}>
        Set the password
      </Button>
      <Button variant="default" size="lg" onClick={() => onDone('')}>
        Back
      </Button>
    </form>
  );
}
