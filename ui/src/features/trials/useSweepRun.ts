import { useInterval } from '@mantine/hooks';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';

/** One turn of the knob: how long it took, and when a mark was set. */
export interface Turn {
  seconds: number;
  events: Schemas['SweepEvent'][];
}

interface Running {
  began: number;
  events: Schemas['SweepEvent'][];
}

// How often the clock on the screen goes on, ms.
const tick = 50;

/** The clock of a sweep: begun once, marked twice, stopped. Times are read when a key goes down, not when the screen is drawn. */
export function useSweepRun(onStop: (turn: Turn) => void) {
  const [running, setRunning] = useState<Running>();
  const [now, setNow] = useState(0);
  const ticking = useInterval(() => setNow(performance.now()), tick);
  const next: Schemas['SweepMark'] = running?.events.some((event) => event.mark === 'smooths')
    ? 'breaksUp'
    : 'smooths';
  return {
    running: running !== undefined,
    events: running?.events,
    next,
    seconds: running ? Math.max(0, (now - running.began) / 1000) : 0,
    begin: () => {
      const began = performance.now();
      setNow(began);
      setRunning({ began, events: [] });
      ticking.start();
    },
    mark: () => {
      if (!running) return;
      const seconds = (performance.now() - running.began) / 1000;
      setRunning({ ...running, events: [...running.events, { mark: next, seconds }] });
    },
    stop: () => {
      if (!running) return;
      ticking.stop();
      setRunning(undefined);
      onStop({ seconds: (performance.now() - running.began) / 1000, events: running.events });
    },
  };
}

/** The clock of a sweep. */
export type SweepRun = ReturnType<typeof useSweepRun>;
