import { HubConnectionBuilder, LogLevel } from '@microsoft/signalr';
import { type Query, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { isOwn } from './ownWrites';

/** Something changed in the room, as the server tells it. */
interface Notice {
  kind: string;
  boothId: string | null;
  studentId: string | null;
  id?: string | null;
  beadId?: string | null;
}

/** What a kind of change leaves as it was, by the second word of a query's key. */
const untouched: Record<string, readonly string[]> = {
  bead: [
    'compute',
    'alternatives',
    'now',
    'sessions',
    'students',
    'instructors',
    'checks',
    'test-welds',
    'test-weld',
  ],
  sheet: [
    'compute',
    'alternatives',
    'now',
    'sessions',
    'students',
    'instructors',
    'bead-file',
    'kept',
    'windows',
  ],
  check: [
    'compute',
    'alternatives',
    'now',
    'tonight',
    'bench',
    'machines',
    'machine',
    'windows',
    'bead-file',
  ],
};

/** What the person at this screen has in hand: shown before lists and racks are brought up. */
const atHand: readonly unknown[] = ['bench', 'mine', 'tonight'];

/** Whether a query on screen may be old after a change. A bead's file changes with that bead only, a booth's bench with its own beads. */
export function touches(notice: Notice, key: Query['queryKey']): boolean {
  if (key[0] !== 'room') return false;
  if (untouched[notice.kind]?.includes(String(key[1]))) return false;
  if (key[1] === 'bead-file' && notice.beadId) return key[2] === notice.beadId;
  return !(key[1] === 'bench' && notice.boothId !== null && key[3] !== notice.boothId);
}

// What this screen wrote it has the answer of; other screens' lists are brought up all the same.
const isKnown = (notice: Notice, key: Query['queryKey']) =>
  isOwn(notice.id) && ['bench', 'bead-file'].includes(String(key[1]));

// A room full of beads tells many times a second: the first is shown at once, what follows together, ms.
const pause = 500;

/** Asks again for whatever is on screen and may have changed. Says whether the line is up. */
export function useLive(): boolean {
  const queries = useQueryClient();
  const [up, setUp] = useState(true);
  useEffect(() => {
    const hub = new HubConnectionBuilder()
      .withUrl('/live')
      .withAutomaticReconnect({ nextRetryDelayInMilliseconds: () => 1500 })
      .configureLogging(LogLevel.None)
      .build();
    const lookAgain = () => queries.invalidateQueries({ queryKey: ['room'] });
    let told: Notice[] = [];
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const show = () => {
      waiting = undefined;
      if (told.length === 0) return;
      const notices = told;
      told = [];
      waiting = setTimeout(show, pause);
      const lookAgainAt = (hand: boolean) =>
        queries.invalidateQueries({
          predicate: ({ queryKey }) =>
            atHand.includes(queryKey[1]) === hand &&
            notices.some((notice) => touches(notice, queryKey) && !isKnown(notice, queryKey)),
        });
      void lookAgainAt(true).then(() => lookAgainAt(false));
    };
    hub.on('changed', (notice: Notice) => {
      told.push(notice);
      if (waiting === undefined) show();
    });
    hub.onreconnecting(() => setUp(false));
    hub.onreconnected(() => {
      setUp(true);
      void lookAgain();
    });
    let stopped = false;
    const start = () => {
      void hub.start().then(
        () => setUp(true),
        () => {
          setUp(false);
          if (!stopped) setTimeout(start, 1500);
        },
      );
    };
    start();
    return () => {
      stopped = true;
      clearTimeout(waiting);
      void hub.stop();
    };
  }, [queries]);
  return up;
}
