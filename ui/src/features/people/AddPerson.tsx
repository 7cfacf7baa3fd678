import { Button, PasswordInput, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';

/** An account for somebody new. */
export function AddPerson({ onAdded }: { onAdded: (person: Schemas['PersonName']) => void }) {
  const [role, setRole] = useState<Schemas['Role']>('student');
  const { form, pending, submit, trouble } = useEntry(
    { name: '', login: '', password: '' },
    (body, id) =>
      role === 'student'
        ? answer(api.PUT('/api/people/students/{id}', { params: { path: { id } }, body }))
        : answer(api.PUT('/api/people/instructors/{id}', { params: { path: { id } }, body })),
    onAdded,
  );
  return (
    <form className="panel stack" aria-label="Add somebody" onSubmit={submit}>
      <Choice
        title="Add"
        words={{ student: 'A student', instructor: 'An instructor' }}
        value={role}
        onChange={(value) => value && setRole(value)}
      />
      <TextInput label="Name" {...form.getInputProps('name')} />
      <TextInput label="Login" autoComplete="off" {...form.getInputProps('login')} />
      <PasswordInput label="First password" autoComplete="new-password" {...form.getInputProps('password')} />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="lg" loading={pending}>
        Add {role}
      </Button>
    </form>
  );
}
