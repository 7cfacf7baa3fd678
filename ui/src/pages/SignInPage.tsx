import { Button, PasswordInput, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { answer, api, type Schemas } from '../shared/api/client';
import { peopleQueries } from '../features/people/queries';
import { asLoading, Loaded } from '../shared/Loaded';
import { useTitle } from '../shared/page/useTitle';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { setMe } from '../shared/useMe';
import css from './signIn.module.css';

const UseCode = lazy(() => import('../features/people/UseCode'));

/** Where everybody starts: sign in, or make the first account of a new school. */
export function SignInPage() {
  const welcome = useQuery(peopleQueries.welcome());
  useTitle('Sign in');
  return (
    <main className={css.gate}>
      <div className={css.gateTitle}>
        <img src="/bead.svg" alt="" width={56} height={56} />
        <div>
          <h1>Gentle Bead</h1>
          <p>{welcome.data?.school || 'Settings, beads and what to change next'}</p>
        </div>
      </div>
      <Loaded of={asLoading(welcome)} what="the school">
        {({ needsFirstInstructor, demoAccounts }) =>
          needsFirstInstructor ? <FirstInstructor /> : <SignIn demo={demoAccounts} />
        }
      </Loaded>
      <p className="quiet">
        <a href="/pair">This tablet belongs to a booth</a>
      </p>
      <p className="quiet">
        A training aid. Local codes, the site's procedure, the machine's manual and a licensed or certified
        person take precedence over what it says.
      </p>
    </main>
  );
}

/** Lets whoever signed in through to the rest of the pages. */
function useEntered() {
  const queries = useQueryClient();
  return (person: Schemas['Person']) => {
    setMe(queries, person);
  };
}

function SignIn({ demo }: { demo: Schemas['DemoAccount'][] }) {
  const entered = useEntered();
  const send = (body: Schemas['SignIn']) => answer(api.POST('/api/people/sign-in', { body }));
  const { form, pending, submit, trouble } = useEntry({ login: '', password: '' }, send, entered);
  const stepIn = useMutation({ mutationFn: send, onSuccess: entered });
  const [byCode, setByCode] = useState(false);
  const [renewed, setRenewed] = useState(false);
  if (byCode) {
    return (
      <Suspense>
        <UseCode
          onDone={(login) => {
            setByCode(false);
            setRenewed(login !== '');
            form.setFieldValue('login', login);
          }}
        />
      </Suspense>
    );
  }
  return (
    <>
      {renewed && <p role="status">The new password stands. Sign in with it.</p>}
      <form className="panel stack" onSubmit={submit}>
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
        {trouble && <Trouble error={trouble} />}
        <Button type="submit" size="lg" loading={pending}>
          Sign in
        </Button>
        <button type="button" className="plain" onClick={() => setByCode(true)}>
          a code from an instructor?
        </button>
      </form>
      {demo.length > 0 && (
        <section className="stack" aria-label="Demo accounts">
          <p className="quiet">This is the demo school; nobody in it is real. Step in as:</p>
          <div className={css.demoAccounts}>
            {demo.map((account) => (
              <Button
                key={account.login}
                variant={account.role === 'instructor' ? 'filled' : 'default'}
                disabled={stepIn.isPending}
                onClick={() => stepIn.mutate({ login: account.login, password: account.password })}
              >
                {account.name}, {account.role}
              </Button>
            ))}
          </div>
          {stepIn.isError && <Trouble error={stepIn.error} />}
        </section>
      )}
    </>
  );
}

function FirstInstructor() {
  const { form, pending, submit, trouble } = useEntry(
    { school: '', name: '', login: '', password: '', code: '' },
    (values, id) => answer(api.POST('/api/people/first-instructor', { body: { id, ...values } })),
    useEntered(),
  );
  return (
    <form className="panel stack" onSubmit={submit}>
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
      <TextInput
        label="Set-up code"
        size="lg"
        description="It stands where the server was started."
        autoComplete="one-time-code"
        {...form.getInputProps('code')}
      />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="lg" loading={pending}>
        Begin
      </Button>
    </form>
  );
}
