import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { newId } from '../../shared/newId';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { useMe } from '../../shared/useMe';
import css from './account.module.css';
import { PinKey } from './PinKey';
import { peopleQueries } from './queries';

/** Somebody's account in an instructor's hands: a code for who forgot the password, and whether it may be signed in to. */
export function AccountPanel({ personId }: { personId: string }) {
  const person = useQuery(peopleQueries.one(personId));
  return (
    <section className="panel stack" aria-label="Account">
      <Loaded of={asLoading(person)} what="the account">
        {(data) => <Account person={data} />}
      </Loaded>
    </section>
  );
}

function Account({ person }: { person: Schemas['Person'] }) {
  const me = useMe().data;
  const reset = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/people/{id}/resets/{resetId}', {
          params: { path: { id: person.id, resetId: newId() } },
        }),
      ),
    onError: tellTrouble,
  });
  const setActive = useSetActive(person);
  return (
    <>
      <h2>
        {person.name} <span className="quiet">login {person.login}</span>
      </h2>
      {!person.active && <p className="field-error">Switched off: nobody signs in with it.</p>}
      {reset.data && (
        <div role="status">
          <p>Give this code to {person.name}. It is shown this once, and works once, for a day.</p>
          <p className={css.code}>{reset.data.code}</p>
        </div>
      )}
      <div className="row">
        {person.role === 'student' && <PinKey person={person} />}
        <Button variant="default" loading={reset.isPending} onClick={() => reset.mutate()}>
          {reset.data ? 'Another code' : 'Forgot the password: a code'}
        </Button>
        {person.id !== me?.id && (
          <Button
            variant="default"
            loading={setActive.isPending}
            onClick={() => setActive.mutate(!person.active)}
          >
            {person.active ? 'Switch off' : 'Switch on'}
          </Button>
        )}
      </div>
    </>
  );
}

function useSetActive(person: Schemas['Person']) {
  const queries = useQueryClient();
  const setActive = useMutation({
    mutationFn: (isActive: boolean) =>
      answer(api.PUT('/api/people/{id}/active', { params: { path: { id: person.id } }, body: { isActive } })),
    onSuccess: async (_, isActive) => {
      if (!isActive)
        offerUndo(`off-${person.id}`, `${person.name} is switched off and signed out.`, () =>
          setActive.mutate(true),
        );
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
    onError: tellTrouble,
  });
  return setActive;
}
