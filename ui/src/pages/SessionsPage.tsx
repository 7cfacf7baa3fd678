import { Button, Select, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { tellDone } from '../shared/notices';
import { answer, api, type Schemas } from '../shared/api/client';
import { Loaded, LoadTrouble } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { ShowMore } from '../shared/ShowMore';
import { Trouble } from '../shared/Trouble';
import { day, today } from '../shared/units';
import { useEntry } from '../shared/useEntry';
import { usePages } from '../shared/usePages';
import { roomQueries } from '../features/rooms/queries';
import { sessionQueries } from '../features/sessions/queries';
import { useNow } from '../features/sessions/useBench';
import { useFields } from '../shared/words/useSay';
import css from './sessions.module.css';

/** Every session, latest first: which one is on, another one planned, a wrong name or day put right. */
export function SessionsPage() {
  const sessions = usePages(sessionQueries.list());
  const on = useNow().data?.session?.id;
  const rooms = useQuery(roomQueries.list());
  const several = (rooms.data?.length ?? 0) > 1;
  const roomOf = (session: Schemas['Session']) =>
    several ? rooms.data?.find(({ id }) => id === session.roomId)?.name : undefined;
  return (
    <Page
      title="Sessions"
      under="The one on today is shown under Today; without one, the last before it. A later one is planned."
      back={{ to: '/', label: 'Back to today' }}
    >
      <LoadTrouble of={rooms} what="the rooms" />
      <div className="two-columns">
        <section className="panel" aria-label="Sessions">
          <Loaded of={sessions} what="the sessions">
            {(items) => (
              <>
                {items.length === 0 && <p className="quiet">None yet.</p>}
                <ol className={`plain-list ${css.sessionList}`}>
                  {items.map((session) => (
                    <SessionRow
                      key={session.id}
                      session={session}
                      room={roomOf(session)}
                      on={session.id === on}
                    />
                  ))}
                </ol>
                <ShowMore more={sessions.more} coming={sessions.coming} what="sessions" />
              </>
            )}
          </Loaded>
        </section>
        <NewSession rooms={several ? (rooms.data ?? []) : []} />
      </div>
    </Page>
  );
}

function SessionRow(props: { session: Schemas['Session']; room: string | undefined; on: boolean }) {
  const { session, room, on } = props;
  const [editing, setEditing] = useState(false);
  const late = session.heldOn > today();
  return (
    <li>
      {editing ? (
        <ChangeSession session={session} onDone={() => setEditing(false)} />
      ) : (
        <div className={css.sessionRow}>
          <div>
            <b>{session.title}</b>
            <p className="quiet">
              {day(session.heldOn)} {session.heldOn.slice(0, 4)}
              {room && `, ${room}`}
              {on ? ', on now' : late ? ', planned' : ''}
            </p>
          </div>
          <Button
            variant="default"
            onClick={() => setEditing(true)}
            aria-label={`Change ${session.title}, ${day(session.heldOn)}`}
          >
            Change
          </Button>
        </div>
      )}
    </li>
  );
}

function ChangeSession({ session, onDone }: { session: Schemas['Session']; onDone: () => void }) {
  const queries = useQueryClient();
  const [title, setTitle] = useState(session.title);
  const [heldOn, setHeldOn] = useState(session.heldOn);
  const change = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sessions/{id}/details', {
          params: { path: { id: session.id } },
          body: { title, heldOn, version: session.version },
        }),
      ),
    onSuccess: async () => {
      tellDone('The session is changed.');
      onDone();
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
  const fields = useFields(change.error);
  return (
    <form
      className="stack"
      aria-label="Change the session"
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate();
      }}
    >
      <TextInput
        label="Title"
        size="lg"
        maxLength={80}
        value={title}
        onChange={(event) => setTitle(event.currentTarget.value)}
        error={fields.title}
      />
      <TextInput
        type="date"
        label="Day"
        size="lg"
        value={heldOn}
        onChange={(event) => setHeldOn(event.currentTarget.value)}
        error={fields.heldOn}
      />
      {change.isError && Object.keys(fields).length === 0 && <Trouble error={change.error} />}
      <div className="row">
        <Button type="submit" size="lg" loading={change.isPending}>
          Save
        </Button>
        <Button size="lg" variant="default" onClick={onDone}>
          Back
        </Button>
      </div>
    </form>
  );
}

function NewSession({ rooms }: { rooms: Schemas['SchoolRoom'][] }) {
  const { form, pending, submit, trouble } = useEntry(
    { title: '', heldOn: today(), roomId: null as string | null },
    (body, id) => answer(api.PUT('/api/sessions/{id}', { params: { path: { id } }, body })),
  );
  return (
    <form className="panel stack" aria-label="Another session" onSubmit={submit}>
      <h2>Another session</h2>
      <TextInput label="Title" size="lg" maxLength={80} {...form.getInputProps('title')} />
      <TextInput type="date" label="Day" size="lg" {...form.getInputProps('heldOn')} />
      {rooms.length > 0 && (
        <Select
          label="Room"
          size="lg"
          placeholder={rooms[0]?.name ?? ''}
          data={rooms.map(({ id, name }) => ({ value: id, label: name }))}
          {...form.getInputProps('roomId')}
        />
      )}
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="lg" loading={pending}>
        Add the session
      </Button>
      <p className="quiet">It begins with everybody at the booths of the session before it in that room.</p>
    </form>
  );
}
