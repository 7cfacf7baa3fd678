import { type Query, type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { type Notice, touches } from './changes';

// A room full of beads tells many times a second: the first is shown at once, what follows together, ms.
const pause = 500;
const untilAgain = 1_500;
const fewPlaces = 3;

// A server that goes leaves many screens at once: they do not all come to the next in the same moment, ms.
const soon = () => Math.random() * 400;

/** Brings up what some notices changed: what is in hand first, then the lists. */
async function bringUp(queries: QueryClient, notices: Notice[]) {
  const old = queries
    .getQueryCache()
    .getAll()
    .filter((query) => notices.some((notice) => touches(notice, query)));
  const look = (query: Query) => {
    const own = notices.filter((notice) => touches(notice, query));
    const { patch } = query.meta ?? {};
    // One call for each place; past a few of them the whole is one call again.
    const places = [...new Map(own.map((one) => [`${one.kind} ${one.boothId}`, one])).values()];
    const parts =
      patch && places.length <= fewPlaces && query.isActive() && query.state.data !== undefined
        ? places.map((one) => patch(one, queries))
        : [];
    return parts.length > 0 && parts.every((part) => part !== undefined)
      ? Promise.all(parts)
      : queries.invalidateQueries({ queryKey: query.queryKey, exact: true });
  };
  const inHand = old.filter((query) => query.meta?.atHand).map(look);
  await Promise.all([...inHand, ...old.filter((query) => !query.meta?.atHand).map(look)]);
}

/** Listens to the room, and asks again for whatever is on screen and may have changed. Says whether the line is up. */
export function useLive(): boolean {
  const queries = useQueryClient();
  const [up, setUp] = useState(true);
  useEffect(() => {
    let told: Notice[] = [];
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const show = () => {
      waiting = undefined;
      if (told.length === 0) return;
      const notices = told;
      told = [];
      waiting = setTimeout(show, pause);
      void bringUp(queries, notices);
    };
    const hear = (notice: Notice) => {
      told.push(notice);
      if (waiting === undefined) show();
    };
    const lookAgain = () =>
      void queries.invalidateQueries({ predicate: (query) => query.meta?.changedBy !== undefined });
    const leave = listen({ hear, up: setUp, back: lookAgain });
    return () => {
      clearTimeout(waiting);
      leave();
    };
  }, [queries]);
  return up;
}

/** A line to the server that is taken up again whenever it drops; the first screen does not wait for its code. */
function listen(on: { hear: (notice: Notice) => void; up: (up: boolean) => void; back: () => void }) {
  let stopped = false;
  let stop: (() => void) | undefined;
  const start = async () => {
    const { HubConnectionBuilder, HttpTransportType, LogLevel } = await import('@microsoft/signalr');
    if (stopped) return;
    const hub = new HubConnectionBuilder()
      // One request and no more: with several servers behind one name, the next may come to another.
      .withUrl('/live', { skipNegotiation: true, transport: HttpTransportType.WebSockets })
      .withAutomaticReconnect({
        nextRetryDelayInMilliseconds: (tried) => (tried.previousRetryCount === 0 ? soon() : untilAgain),
      })
      .configureLogging(LogLevel.None)
      .build();
    stop = () => void hub.stop();
    hub.on('changed', on.hear);
    hub.onreconnecting(() => on.up(false));
    hub.onreconnected(() => {
      on.up(true);
      on.back();
    });
    const connect = async (): Promise<void> => {
      try {
        await hub.start();
        on.up(true);
      } catch {
        on.up(false);
        if (!stopped) setTimeout(() => void connect(), untilAgain);
      }
    };
    await connect();
  };
  const begin = () =>
    void start().catch(() => {
      // Its code did not come: no network is no line either.
      on.up(false);
      if (!stopped) setTimeout(begin, untilAgain);
    });
  begin();
  return () => {
    stopped = true;
    stop?.();
  };
}
