import { Button, Select, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { newId } from '../shared/newId';
import { asLoading, Loaded } from '../shared/Loaded';
import { BoothNumber } from '../shared/page/BoothNumber';
import { Page } from '../shared/page/Page';
import { day, today } from '../shared/units';
import { verdicts } from '../shared/words';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { VerdictMark } from '../features/judging/VerdictMark';
import { jobLine } from '../features/sheets/JobLine';
import { useStudents } from '../features/people/useStudents';
import { benchQueries } from '../features/sessions/queries';
import { Line, useSay } from '../shared/words/useSay';
import css from './room.module.css';

/** Today: each booth, who stands there, on what, and how the last bead came out. */
export function RoomPage() {
  const room = useQuery(benchQueries.tonight());
  return (
    <Loaded of={asLoading(room)} what="the room">
      {(data) => <Room room={data} />}
    </Loaded>
  );
}

function Room({ room }: { room: Schemas['RoomView'] }) {
  const { session, booths, waiting, moreWaiting } = room;
  const aside = (
    <>
      {session?.heldOn !== today() && booths.length > 0 && <StartSession title={session?.title ?? ''} />}
      {session && (
        <Button component={Link} to="/sessions" variant="default">
          Sessions
        </Button>
      )}
    </>
  );
  return (
    <Page
      title="Today"
      heading={session ? session.title : 'No session yet'}
      under={session && (session.heldOn === today() ? `Today, ${day(session.heldOn)}` : day(session.heldOn))}
      aside={aside}
    >
      {booths.length === 0 && (
        <div className="panel empty">
          <p>There is no booth yet. Add the first machine, then the students.</p>
          <Button component={Link} to="/machines/add" size="lg">
            Add the first machine
          </Button>
        </div>
      )}
      <div className={css.booths}>
        {booths.map((view) => (
          <BoothCard key={view.booth.id} view={view} sessionId={session?.id} waiting={waiting} />
        ))}
      </div>
      {waiting.length > 0 && booths.length > 0 && (
        <p className="quiet">
          At no booth: {waiting.map((student) => student.name).join(', ')}
          {moreWaiting && ' and others: type a name at a booth to find them'}
        </p>
      )}
    </Page>
  );
}

function BoothCard(props: {
  view: Schemas['BoothView'];
  sessionId: string | undefined;
  waiting: Schemas['PersonName'][];
}) {
  const say = useSay();
  const { booth, machineName, student, job, positionName, last, before, next } = props.view;
  return (
    <article className={css.boothCard} aria-label={`Booth ${booth.number}`}>
      <header>
        <BoothNumber number={booth.number} />
        <div>
          {props.sessionId && (
            <PlaceStudent
              sessionId={props.sessionId}
              booth={booth}
              student={student}
              waiting={props.waiting}
            />
          )}
          <p className="quiet">{machineName}</p>
        </div>
      </header>
      <p className="job-line">
        {job ? (
          <>
            {jobLine(job)} <span className="quiet">{positionName}</span>
          </>
        ) : (
          <span className="quiet">No sheet given out</span>
        )}
      </p>
      <div className={css.lastBead}>
        {last && job ? (
          <>
            <BeadGlyph shape={last.shape} joint={job.joint} title={`Last bead, ${verdicts[last.verdict]}`} />
            <div className={css.beadRun}>
              <VerdictMark verdict={last.verdict} large />
              <span className="quiet">
                bead {last.number}
                {before.length > 0 &&
                  `, after ${before.map((verdict) => verdicts[verdict].toLowerCase()).join(', ')}`}
              </span>
            </div>
          </>
        ) : (
          <p className="empty-coupon">
            {job ? 'No bead yet' : props.sessionId ? 'Make a sheet first' : 'Start a session first'}
          </p>
        )}
      </div>
      {next && <p className={css.advised}>{say(next)}</p>}
      <footer>
        <Button component={Link} to={`/booths/${booth.id}`} variant="default" size="lg">
          Sheet
        </Button>
        <Button
          component={Link}
          to={`/booths/${booth.id}/bench`}
          size="lg"
          variant={job ? 'filled' : 'default'}
        >
          Bench
        </Button>
      </footer>
    </article>
  );
}

function PlaceStudent(props: {
  sessionId: string;
  booth: Schemas['Booth'];
  student: Schemas['PersonName'] | null;
  waiting: Schemas['PersonName'][];
}) {
  const queries = useQueryClient();
  const place = useMutation({
    mutationFn: (studentId: string | null) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/student', {
          params: { path: { id: props.sessionId, boothId: props.booth.id } },
          body: { studentId },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
  });
  const [sought, setSought] = useState('');
  const found = useStudents(sought);
  const known = props.student ? [props.student, ...props.waiting] : props.waiting;
  const people = [...known, ...found.filter((one) => !known.some((other) => other.id === one.id))];
  return (
    <Select
      aria-label={`Who stands at booth ${props.booth.number}`}
      className={css.place}
      size="lg"
      placeholder="Nobody here yet"
      clearable
      searchable
      searchValue={sought}
      onSearchChange={setSought}
      nothingFoundMessage="No student by that name"
      data={people.map((person) => ({ value: person.id, label: person.name }))}
      value={props.student?.id ?? null}
      onChange={(id) => place.mutate(id)}
      error={place.isError && <Line error={place.error} />}
    />
  );
}

function StartSession({ title }: { title: string }) {
  const queries = useQueryClient();
  const [id] = useState(newId);
  const [name, setName] = useState(title);
  const start = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sessions/{id}', { params: { path: { id } }, body: { title: name, heldOn: today() } }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
  });
  return (
    <form
      className={css.startSession}
      onSubmit={(event) => {
        event.preventDefault();
        start.mutate();
      }}
    >
      <TextInput
        aria-label="Session"
        placeholder="What is on tonight?"
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
        error={start.isError && <Line error={start.error} />}
      />
      <Button type="submit" loading={start.isPending}>
        Start today's session
      </Button>
    </form>
  );
}
