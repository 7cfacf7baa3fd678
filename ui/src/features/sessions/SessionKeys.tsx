import { Button, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { offerUndo, tellDone, tellTrouble } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { chooseSession } from './chosen';
import { SessionForm } from './SessionForm';

type Open = 'change' | 'cancel' | 'split' | null;

/** What can be done with a session: shown under Today, changed, made two of, cancelled, held after all. */
export function SessionKeys({ session }: { session: Schemas['Session'] }) {
  const [open, setOpen] = useState<Open>(null);
  const goTo = useNavigate();
  const hold = useHold();
  const done = () => setOpen(null);
  if (open === 'change') return <SessionForm session={session} onDone={done} />;
  if (open === 'cancel') return <CancelForm session={session} onDone={done} />;
  if (open === 'split') return <SplitForm session={session} onDone={done} />;
  return (
    <>
      <div className="row">
        {session.cancelled === null && (
          <Button
            onClick={() => {
              chooseSession(session.id);
              void goTo('/');
            }}
          >
            Work in it
          </Button>
        )}
        {session.courseId !== null && session.cancelled === null && (
          <Button variant="default" component={Link} to={`/sessions/${session.id}/plan`}>
            Plan
          </Button>
        )}
        {session.cancelled === null && new Date(session.beginsAt) < new Date() && (
          <Button variant="default" component={Link} to={`/sessions/${session.id}/close`}>
            Close down
          </Button>
        )}
        <Button variant="default" onClick={() => setOpen('change')}>
          Change
        </Button>
        {session.cancelled === null ? (
          <>
            <Button variant="default" onClick={() => setOpen('split')}>
              Split
            </Button>
            <Button variant="default" onClick={() => setOpen('cancel')}>
              Cancel it
            </Button>
          </>
        ) : (
          <Button variant="default" loading={hold.isPending} onClick={() => hold.mutate(session)}>
            Hold it after all
          </Button>
        )}
      </div>
    </>
  );
}

function useHold() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, version }: Schemas['Session']) =>
      answer(api.PUT('/api/sessions/{id}/held', { params: { path: { id } }, body: { version } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom() }),
    onError: tellTrouble,
  });
}

function CancelForm({ session, onDone }: { session: Schemas['Session']; onDone: () => void }) {
  const hold = useHold();
  const { form, pending, submit, trouble } = useEntry(
    { why: '' },
    (body) =>
      answer(
        api.PUT('/api/sessions/{id}/cancelled', {
          params: { path: { id: session.id } },
          body: { ...body, version: session.version },
        }),
      ),
    (cancelled) => {
      offerUndo(`cancelled-${session.id}`, `${session.title} is cancelled.`, () => hold.mutate(cancelled));
      onDone();
    },
  );
  return (
    <form className="stack" aria-label="Cancel the session" onSubmit={submit}>
      <TextInput
        label="Why is it not held?"
        description="Shown in the calendar. May be left empty."
        autoFocus
        maxLength={200}
        {...form.getInputProps('why')}
      />
      {trouble && <Trouble error={trouble} />}
      <div className="row">
        <Button type="submit" loading={pending}>
          Cancel the session
        </Button>
        <Button variant="default" onClick={onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}

function SplitForm({ session, onDone }: { session: Schemas['Session']; onDone: () => void }) {
  const [id] = useState(newId);
  const { form, pending, submit, trouble } = useEntry(
    { at: '' },
    (body) =>
      answer(
        api.PUT('/api/sessions/{id}/split', {
          params: { path: { id: session.id } },
          body: { ...body, newId: id, version: session.version },
        }),
      ),
    () => {
      tellDone('There are two sessions now.');
      onDone();
    },
  );
  return (
    <form className="stack" aria-label="Split the session" onSubmit={submit}>
      <TextInput
        type="time"
        label="Split at"
        description="It ends then, and another begins with everybody where they stand."
        autoFocus
        {...form.getInputProps('at')}
      />
      {trouble && <Trouble error={trouble} />}
      <div className="row">
        <Button type="submit" loading={pending}>
          Split
        </Button>
        <Button variant="default" onClick={onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}
