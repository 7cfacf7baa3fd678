import { Button, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { roomQueries } from '../features/rooms/queries';
import { hoursOf } from '../features/sessions/hours';
import { sessionQueries } from '../features/sessions/queries';
import { HoursFields } from '../features/sessions/SessionForm';
import { useNow } from '../features/sessions/useBench';
import { answer, api, type Schemas } from '../shared/api/client';
import { Loaded, LoadTrouble } from '../shared/Loaded';
import { tellDone } from '../shared/notices';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { ShowMore } from '../shared/ShowMore';
import { day, today } from '../shared/time';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';
import { usePages } from '../shared/usePages';
import { courseTabs } from './CoursesPage';
import css from './sessions.module.css';

/** Every session, latest first, and another one to add. */
export function SessionsPage() {
  const sessions = usePages(sessionQueries.list());
  const on = useNow().data?.session?.id;
  const rooms = useQuery(roomQueries.list());
  const several = (rooms.data?.length ?? 0) > 1;
  return (
    <Page title="Sessions" aside={<Tabs name="Courses" tabs={courseTabs} />}>
      <LoadTrouble of={rooms} what="the rooms" />
      <div className="two-columns">
        <NewSession rooms={several ? (rooms.data ?? []) : []} />
        <section className="panel" aria-label="Sessions">
          <Loaded of={sessions} what="the sessions">
            {(items) => (
              <>
                {items.length === 0 && <p className="quiet">None yet.</p>}
                <ol className={`plain-list ${css.sessionList}`}>
                  {items.map((session) => (
                    <SessionRow key={session.id} session={session} several={several} on={session.id === on} />
                  ))}
                </ol>
                <ShowMore more={sessions.more} coming={sessions.coming} what="sessions" />
              </>
            )}
          </Loaded>
        </section>
      </div>
    </Page>
  );
}

function SessionRow(props: { session: Schemas['Session']; several: boolean; on: boolean }) {
  const { session, several, on } = props;
  const state =
    session.cancelled !== null
      ? 'cancelled'
      : on
        ? 'shown under Today'
        : new Date(session.beginsAt) > new Date()
          ? 'planned'
          : '';
  return (
    <li>
      <Link to={`/sessions/${session.id}`} className={css.sessionRow}>
        <b>{session.title}</b>
        <span className="quiet">
          {[
            `${day(session.heldOn)} ${session.heldOn.slice(0, 4)}`,
            hoursOf(session),
            several && session.roomName,
            state,
          ]
            .filter(Boolean)
            .join(', ')}
        </span>
      </Link>
    </li>
  );
}

interface Entry extends Record<string, unknown> {
  title: string;
  heldOn: string;
  begins: string;
  ends: string;
  roomId: string | null;
}

function NewSession({ rooms }: { rooms: Schemas['SchoolRoom'][] }) {
  const { form, pending, submit, trouble } = useEntry<Entry, unknown>(
    { title: '', heldOn: today(), begins: '18:00', ends: '21:00', roomId: null },
    (body, id) => answer(api.PUT('/api/sessions/{id}', { params: { path: { id } }, body })),
    () => tellDone('The session is in the calendar.'),
  );
  return (
    <form className="panel stack" aria-label="Another session" onSubmit={submit}>
      <h2>Another session</h2>
      <TextInput label="Title" maxLength={80} {...form.getInputProps('title')} />
      <HoursFields form={form} />
      {rooms.length > 0 && (
        <Select
          label="Room"
          placeholder={rooms[0]?.name ?? ''}
          data={rooms.map(({ id, name }) => ({ value: id, label: name }))}
          {...form.getInputProps('roomId')}
        />
      )}
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" size="lg" loading={pending}>
        Add the session
      </Button>
      <p className="quiet">
        Open to all. It begins with everybody at the booths of the open session before it in that room. A
        course’s sessions are made on the course’s page.
      </p>
    </form>
  );
}
