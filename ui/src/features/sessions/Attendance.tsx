import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { tellTrouble } from '../../shared/notices';
import { cameWords } from '../../shared/words';
import { sessionQueries } from './queries';
import choice from '../../shared/choice.module.css';
import css from './attendance.module.css';

type Came = Schemas['Came'];
const answers = Object.keys(cameWords) as Came[];

/** Who came to a session, and what everybody did in it. */
export function Attendance({ sessionId }: { sessionId: string }) {
  const students = useQuery(sessionQueries.students(sessionId));
  const note = useNote(sessionId);
  return (
    <section className="panel stack" aria-label="Attendance">
      <Loaded of={asLoading(students)} what="the students">
        {(all) => (
          <>
            <div className="row head-row">
              <h2>Who came</h2>
              {all.some(({ came, booth }) => came === 'unknown' && booth !== null) && (
                <Button
                  variant="default"
                  loading={note.isPending}
                  onClick={() =>
                    note.mutate(all.filter(isUnnoted).map(({ student }) => [student.id, 'present']))
                  }
                >
                  All at a booth are here
                </Button>
              )}
            </div>
            {all.length === 0 && (
              <p className="quiet">Nobody is on its roster, and nobody stood at a booth.</p>
            )}
            <ul className="plain-list">
              {all.map((one) => (
                <Row key={one.student.id} of={one} onNote={(came) => note.mutate([[one.student.id, came]])} />
              ))}
            </ul>
            {all.length > 0 && <p className="quiet">{countOf(all)}</p>}
          </>
        )}
      </Loaded>
    </section>
  );
}

const isUnnoted = ({ came, booth }: Schemas['SessionStudent']) => came === 'unknown' && booth !== null;

function countOf(all: Schemas['SessionStudent'][]) {
  const here = all.filter(({ came }) => came === 'present' || came === 'late').length;
  const unknown = all.filter(({ came }) => came === 'unknown').length;
  if (unknown === all.length) return 'Nobody has been noted yet.';
  return `${here} of ${all.length} came${unknown > 0 ? `, of ${unknown} nobody has said` : ''}.`;
}

function Row({ of, onNote }: { of: Schemas['SessionStudent']; onNote: (came: Came) => void }) {
  const { student, came, notedBy, booth, beads, right } = of;
  return (
    <li className={css.row} aria-label={student.name}>
      <div>
        <Link to={`/students/${student.id}`}>{student.name}</Link>
        <p className="quiet">
          {[
            booth !== null && `booth ${booth}`,
            beads > 0 && `${beads} ${beads === 1 ? 'bead' : 'beads'}, ${right} right`,
            notedBy && came !== 'unknown' && `noted by ${notedBy}`,
          ]
            .filter(Boolean)
            .join('; ')}
        </p>
      </div>
      <div className={choice.keys} role="group" aria-label={`${student.name} came`}>
        {answers
          .filter((one) => one !== 'unknown')
          .map((one) => (
            <button
              key={one}
              type="button"
              className="key"
              aria-pressed={one === came}
              onClick={() => onNote(one === came ? 'unknown' : one)}
            >
              {cameWords[one]}
            </button>
          ))}
      </div>
    </li>
  );
}

function useNote(sessionId: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (notes: [string, Came][]) =>
      Promise.all(
        notes.map(([studentId, came]) =>
          answer(
            api.PUT('/api/sessions/{id}/attendance/{noteId}', {
              params: { path: { id: sessionId, noteId: newId() } },
              body: { studentId, came },
            }),
          ),
        ),
      ),
    onError: tellTrouble,
    onSettled: () => queries.invalidateQueries({ queryKey: inRoom() }),
  });
}
