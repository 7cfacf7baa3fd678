import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellTrouble } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { useSay } from '../../shared/words/useSay';
import css from './floor.module.css';
import { left } from './order';
import { floorQueries } from './queries';
import { useClock } from './useClock';

const BeginSlot = lazy(() => import('./BeginSlot'));

const second = 1_000;
const timeOf = (moment: number | string) =>
  new Date(moment).toLocaleTimeString(undefined, { hour: 'numeric', minute: '2-digit' });

interface Shown {
  session: Schemas['Session'];
  /** Whether anybody is asked for: the session is on and not closed down. */
  on: boolean;
  /** Whether the booths stand in the order in which they need somebody. */
  inOrder: boolean;
  onOrder: (wanted: boolean) => void;
}

/** The clock of the evening, and what is done with the whole room. */
export default function FloorBar(props: Shown) {
  const floor = useQuery(floorQueries.now(props.session.id));
  if (!floor.data) return <LoadTrouble of={floor} what="the session’s clock" />;
  return <Bar {...props} floor={floor.data} />;
}

function Bar(props: Shown & { floor: Schemas['FloorNow'] }) {
  const { session, floor } = props;
  const [beginning, setBeginning] = useState<number | null>(null);
  const { begun } = floor;
  const next = floor.planned.find((slot) => slot > (begun?.slot ?? -1));
  return (
    <div className={css.bar} role="group" aria-label="The session">
      <Clock floor={floor} />
      {props.on && (
        <Button
          size="lg"
          variant={props.inOrder ? 'light' : 'default'}
          aria-pressed={props.inOrder}
          onClick={() => props.onOrder(!props.inOrder)}
        >
          Who needs me first
        </Button>
      )}
      {!floor.closed && begun?.planChanged && floor.planned.includes(begun.slot) && (
        <Button size="lg" aria-haspopup="dialog" onClick={() => setBeginning(begun.slot)}>
          Move to the changed plan
        </Button>
      )}
      {!floor.closed && next !== undefined && (
        <Button
          size="lg"
          variant={begun?.planChanged ? 'default' : 'filled'}
          aria-haspopup="dialog"
          onClick={() => setBeginning(next)}
        >
          Begin slot {next + 1}
        </Button>
      )}
      {session.courseId && (
        <Button component={Link} to={`/sessions/${session.id}/plan`} variant="default" size="lg">
          Plan
        </Button>
      )}
      <Button component={Link} to={`/sessions/${session.id}/close`} variant="default" size="lg">
        Close down
      </Button>
      <StopKey roomId={session.roomId} />
      <Suspense>
        {beginning !== null && (
          <BeginSlot sessionId={session.id} slot={beginning} onClose={() => setBeginning(null)} />
        )}
      </Suspense>
    </div>
  );
}

function Clock({ floor }: { floor: Schemas['FloorNow'] }) {
  const say = useSay();
  const now = useClock(second);
  const { phases, closed, begun, planned } = floor;
  const phase = phases.find(
    ({ from, to }) => new Date(from).getTime() <= now && now < new Date(to).getTime(),
  );
  const overdue =
    phase && phase.slot !== null && planned.includes(phase.slot) && (begun?.slot ?? -1) < phase.slot;
  if (closed) {
    return (
      <p className={css.clock}>
        <b>{timeOf(now)}</b>
        <span>
          Closed down at {timeOf(closed.at)} by {closed.by}
          {now < new Date(closed.fireWatchUntil).getTime() &&
            `; fire watch until ${timeOf(closed.fireWatchUntil)}`}
        </span>
      </p>
    );
  }
  const first = phases[0];
  return (
    <p className={css.clock}>
      <b>{timeOf(now)}</b>
      {phase ? (
        <span>
          {say(phase.name)}, {left(phase.to, now)} left
          {overdue && <span className={css.late}> not begun yet</span>}
        </span>
      ) : first && now < new Date(first.from).getTime() ? (
        <span>begins at {timeOf(first.from)}</span>
      ) : (
        <span className={css.late}>over: close it down</span>
      )}
    </p>
  );
}

function StopKey({ roomId }: { roomId: string }) {
  const queries = useQueryClient();
  const ids = useIds();
  const stop = useMutation({
    mutationFn: () =>
      answer(api.PUT('/api/stop/{id}', { params: { path: { id: ids.idOf(roomId) } }, body: { roomId } })),
    onSuccess: () => {
      ids.taken();
      return queries.invalidateQueries({ queryKey: inRoom('stop') });
    },
    onError: tellTrouble,
  });
  return (
    <Button className={css.stopKey} size="lg" loading={stop.isPending} onClick={() => stop.mutate()}>
      Stop everything
    </Button>
  );
}
