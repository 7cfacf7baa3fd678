import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { day, today } from '../shared/time';
import { Floor } from '../features/floor/Floor';
import css from '../features/floor/floor.module.css';
import { hoursOf } from '../features/sessions/hours';
import { benchQueries } from '../features/sessions/queries';

const StartSession = lazy(() => import('../features/sessions/StartSession'));
const FloorBar = lazy(() => import('../features/floor/FloorBar'));
const BeadsToPlace = lazy(() => import('../features/beads/BeadsToPlace'));
const FloorSignals = lazy(() => import('../features/signals/FloorSignals'));
const SilentTablets = lazy(() => import('../features/tablets/SilentTablets'));
const AsLast = lazy(() => import('../features/sessions/AsLast'));
const SessionSwitch = lazy(() =>
  import('../features/sessions/SessionSwitch').then((code) => ({ default: code.SessionSwitch })),
);

// In what order this screen shows the booths.
const orderKey = 'floor-order';

/** Today: the floor of the session that is on. Who needs me, on what everybody works, and how the last bead came out. */
export function RoomPage() {
  const room = useQuery(benchQueries.tonight());
  return (
    <Loaded of={asLoading(room)} what="the room">
      {(data) => <Room room={data} />}
    </Loaded>
  );
}

const whenAndWhere = (session: Schemas['Session']) =>
  [
    session.heldOn === today() ? `Today, ${day(session.heldOn)}` : day(session.heldOn),
    hoursOf(session),
    session.roomName,
  ]
    .filter(Boolean)
    .join(', ');

function Room({ room }: { room: Schemas['RoomView'] }) {
  const { session, booths, waiting, moreWaiting } = room;
  const [inOrder, setInOrder] = useState(() => localStorage.getItem(orderKey) !== 'booth');
  const on = booths.some(({ need }) => need !== null);
  const aside = (
    <>
      {session?.heldOn !== today() && booths.length > 0 && (
        <Suspense>
          <StartSession title={session?.title ?? ''} />
        </Suspense>
      )}
      <Suspense>
        {session && booths.length > 0 && booths.every(({ student }) => student === null) && (
          <AsLast sessionId={session.id} />
        )}
        <SessionSwitch />
      </Suspense>
      {session && (
        <Button component={Link} to={`/sessions/${session.id}`} variant="default">
          Session
        </Button>
      )}
    </>
  );
  return (
    <Page
      title="Today"
      heading={session ? session.title : 'No session yet'}
      under={session && whenAndWhere(session)}
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
      {session && booths.length > 0 && (
        <div className={css.barPlace}>
          <Suspense>
            <FloorBar
              session={session}
              on={on}
              inOrder={inOrder}
              onOrder={(wanted) => {
                localStorage.setItem(orderKey, wanted ? 'need' : 'booth');
                setInOrder(wanted);
              }}
            />
          </Suspense>
        </div>
      )}
      <Floor room={room} inOrder={inOrder} />
      <Suspense>
        <BeadsToPlace />
        {session && on && <FloorSignals sessionId={session.id} booths={booths} />}
        {booths.length > 0 && <SilentTablets boothIds={booths.map(({ booth }) => booth.id)} />}
      </Suspense>
      {waiting.length > 0 && booths.length > 0 && (
        <p className="quiet">
          At no booth: {waiting.map((student) => student.name).join(', ')}
          {moreWaiting && ' and others: type a name at a booth to find them'}
        </p>
      )}
    </Page>
  );
}
