import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { moment } from '../../shared/time';
import { floorQueries } from './queries';

/** What instructors noted in a session, of whom. */
export function SessionNotes({ sessionId }: { sessionId: string }) {
  const notes = asLoading(useQuery(floorQueries.notes(sessionId)));
  return (
    <section className="panel stack" aria-label="Notes">
      <h2>Notes</h2>
      <Loaded of={notes} what="the notes">
        {(all) => <Notes all={all} none="Nothing was noted." named />}
      </Loaded>
    </section>
  );
}

/** What instructors noted of one student. */
export function StudentNotes({ studentId }: { studentId: string }) {
  const notes = asLoading(useQuery(floorQueries.notesOf(studentId)));
  return (
    <Loaded of={notes} what="the notes">
      {(all) =>
        all.length > 0 && (
          <section className="panel stack" aria-label="Notes">
            <h2>Notes</h2>
            <Notes all={all} none="" />
          </section>
        )
      }
    </Loaded>
  );
}

function Notes({ all, none, named }: { all: Schemas['Visit'][]; none: string; named?: boolean }) {
  if (all.length === 0) return <p className="quiet">{none}</p>;
  return (
    <ul className="plain-list stack">
      {all.map(({ id, student, booth, note, by, at }) => (
        <li key={id}>
          {named && (
            <>
              <Link to={`/students/${student.id}`}>{student.name}</Link>:{' '}
            </>
          )}
          {note}
          <p className="quiet">
            {by}, {moment(at)}, booth {booth}
          </p>
        </li>
      ))}
    </ul>
  );
}
