import { Button, Checkbox } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { clock, day } from '../../shared/time';
import { useIds } from '../../shared/useIds';
import { Trouble } from '../../shared/Trouble';
import { useSay } from '../../shared/words/useSay';
import css from './courses.module.css';
import { courseQueries } from './queries';

type Proposed = Schemas['ProposedSession'];

/** The sessions that a course's days and hours come to, to be made or left out. */
export function TimetablePanel({ course }: { course: Schemas['Course'] }) {
  const timetable = useQuery(courseQueries.timetable(course.id));
  return (
    <section className="panel stack" aria-label="Timetable">
      <h2>From its days and hours</h2>
      <Loaded of={asLoading(timetable)} what="the timetable">
        {(proposed) =>
          proposed.length === 0 ? (
            <p className="quiet">It has no days and hours. Add sessions one by one, or change the course.</p>
          ) : proposed.every(({ state }) => state === 'there') ? (
            <p className="quiet">All {proposed.length} of them are in the calendar.</p>
          ) : (
            <MakeSessions courseId={course.id} proposed={proposed} />
          )
        }
      </Loaded>
    </section>
  );
}

const keyOf = ({ day: on, begins }: Proposed) => `${on} ${begins}`;

/** Sessions that are proposed, each to be taken or left out. */
export function MakeSessions(props: { courseId: string; proposed: Proposed[]; onMade?: () => void }) {
  const { courseId, proposed } = props;
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const taken = proposed.filter((one) => one.state === 'free' && !leftOut.has(keyOf(one)));
  const say = useSay();
  const make = useMake(courseId, props.onMade);
  const turn = (key: string, take: boolean) => {
    const next = new Set(leftOut);
    if (take) next.delete(key);
    else next.add(key);
    setLeftOut(next);
  };
  return (
    <>
      <ul className={`plain-list ${css.proposed}`}>
        {proposed.map((one) => (
          <li key={keyOf(one)}>
            <Checkbox
              label={`${day(one.day)}, ${clock(one.begins)} to ${clock(one.ends)}`}
              description={say(one.why)}
              disabled={one.state !== 'free'}
              checked={one.state === 'free' && !leftOut.has(keyOf(one))}
              onChange={(event) => turn(keyOf(one), event.currentTarget.checked)}
            />
          </li>
        ))}
      </ul>
      {make.isError && <Trouble error={make.error} />}
      <Button loading={make.isPending} disabled={taken.length === 0} onClick={() => make.mutate(taken)}>
        Make {taken.length} {taken.length === 1 ? 'session' : 'sessions'}
      </Button>
    </>
  );
}

function useMake(courseId: string, onMade?: () => void) {
  const queries = useQueryClient();
  const { idOf, taken: made } = useIds();
  return useMutation({
    mutationFn: (taken: Proposed[]) =>
      answer(
        api.PUT('/api/courses/{id}/sessions', {
          params: { path: { id: courseId } },
          body: {
            sessions: taken.map(({ title, day: on, begins, ends }) => ({
              id: idOf([on, begins]),
              title,
              day: on,
              begins,
              ends,
            })),
          },
        }),
      ),
    onSuccess: async () => {
      made();
      tellDone('The sessions are in the calendar.');
      onMade?.();
      await queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
}
