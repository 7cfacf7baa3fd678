import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { inRoom } from '../live/changes';
import type { Waiting } from './db';
import { deliver } from './deliver';
import { all, onOutbox, tidy } from './outbox';

// Between two tries while something waits, ms.
const often = 5_000;

/** What waits on this screen to be sent; null until that is known. */
export function useWaiting() {
  const [waiting, setWaiting] = useState<Waiting[] | null>(null);
  useEffect(() => {
    let gone = false;
    const look = () =>
      void all().then(
        (found) => !gone && setWaiting(found),
        () => !gone && setWaiting([]),
      );
    look();
    const leave = onOutbox(look);
    return () => {
      gone = true;
      leave();
    };
  }, []);
  return waiting;
}

/** Sends what waits whenever there is a chance that it arrives. One place on a page does that. */
export function useDelivery(up: boolean, me: string | null, tablet: boolean) {
  const queries = useQueryClient();
  const waiting = useWaiting();
  const count = waiting?.filter((one) => !one.held && one.stuck === null).length ?? 0;
  useEffect(() => {
    void tidy().catch(() => undefined);
    void (navigator as Partial<Pick<Navigator, 'storage'>>).storage?.persist();
  }, []);
  useEffect(() => {
    if (count === 0) return;
    // At a tablet each goes by the sign-in it was noted under; elsewhere only one's own can be sent.
    const go = () => void deliver((one) => tablet || one.who === me);
    if (up) go();
    const tries = setInterval(go, often);
    window.addEventListener('online', go);
    return () => {
      clearInterval(tries);
      window.removeEventListener('online', go);
    };
  }, [up, me, tablet, count]);
  // Once the last has gone, what came of it is asked for.
  const waited = useRef(false);
  useEffect(() => {
    const gone = waited.current && count === 0;
    waited.current = count > 0;
    if (gone) void queries.invalidateQueries({ queryKey: inRoom() });
  }, [count, queries]);
}
