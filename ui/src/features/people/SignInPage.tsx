import { Button, Loader, PasswordInput, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import './people.css';

/** Where everybody starts: sign in, or make the first account of a new school. */
export function SignInPage() {
  const welcome = useQuery({ queryKey: ['welcome'], queryFn: () => answer(api.GET('/api/people/welcome')) });
  return (
    <main className="gate">
      <div className="gate-title">
        <img src="/bead.svg" alt="" width={56} height={56} />
        <div>
          <h1>Gentle Bead</h1>
          <p>{welcome.data?.school || 'Settings, beads and what to change next'}</p>
        </div>
      </div>
      {welcome.isPending && <Loader />}
      {welcome.isError && <Trouble error={welcome.error} again={() => welcome.refetch()} />}
      {welcome.data &&
        (welcome.data.needsFirstInstructor ? (
          <FirstInstructor />
        ) : (
          <SignIn demo={welcome.data.demoAccounts} />
        ))}
      <p className="quiet">
        A training aid. Local codes, the site's procedure, the machine's manual and a licensed or certified
        person stand over what it says.
      </p>
    </main>
  );
}

function useEnter<T>(
  send: (values: T) => Promise<Schemas['Person']>,
  setErrors: (errors: Record<string, string>) => void,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (person) => queries.setQueryData(['me'], person),
    onError: (refused) => setErrors(refused instanceof Refused ? refused.fields : {}),
  });
}

function SignIn({ demo }: { demo: Schemas['DemoAccount'][] }) {
  const form = useForm({ initialValues: { login: '', password: '' } });
  const enter = useEnter(
    (body: Schemas['SignIn']) => answer(api.POST('/api/people/sign-in', { body })),
    form.setErrors,
  );
  return (
    <>
      <form className="panel stack" onSubmit={form.onSubmit((values) => enter.mutate(values))}>
        <TextInput
          label="Login"
          size="lg"
          autoFocus
          autoComplete="username"
          {...form.getInputProps('login')}
        />
        <PasswordInput
          label="Password"
          size="lg"
          autoComplete="current-password"
          {...form.getInputProps('password')}
        />
        {enter.isError && Object.keys(form.errors).length === 0 && <Trouble error={enter.error} />}
        <Button type="submit" size="lg" loading={enter.isPending}>
          Sign in
        </Button>
      </form>
      {demo.length > 0 && (
        <section className="stack" aria-label="Demo accounts">
          <p className="quiet">This is the demo school; nobody in it is real. Step in as:</p>
          <div className="demo-accounts">
            {demo.map((account) => (
              <Button
                key={account.login}
                variant={account.role === 'instructor' ? 'filled' : 'default'}
                size="md"
                disabled={enter.isPending}
                onClick={() => enter.mutate({ login: account.login, password: account.password })}
              >
                {account.name}, {account.role}
              </Button>
            ))}
          </div>
        </section>
      )}
    </>
  );
}

function FirstInstructor() {
  const form = useForm({ initialValues: { school: '', name: '', login: '', password: '' } });
  const [id] = useState(newId);
  const enter = useEnter(
    (values: Omit<Schemas['FirstInstructor'], 'id'>) =>
      answer(api.POST('/api/people/first-instructor', { body: { id, ...values } })),
    form.setErrors,
  );
  return (
    <form className="panel stack" onSubmit={form.onSubmit((values) => enter.mutate(values))}>
      <p>Nobody is here yet. Make the first instructor's account.</p>
      <TextInput label="School or shop" size="lg" autoFocus {...form.getInputProps('school')} />
      <TextInput label="Your name" size="lg" autoComplete="name" {...form.getInputProps('name')} />
      <TextInput label="Login" size="lg" autoComplete="username" {...form.getInputProps('login')} />
      <PasswordInput
        label="Password"
        size="lg"
        autoComplete="new-password"
        {...form.getInputProps('password')}
      />
      {enter.isError && Object.keys(form.errors).length === 0 && <Trouble error={enter.error} />}
      <Button type="submit" size="lg" loading={enter.isPending}>
        Begin
      </Button>
    </form>
  );
}
