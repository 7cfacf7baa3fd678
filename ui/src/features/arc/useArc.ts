import { useCallback, useEffect, useRef, useState } from 'react';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';

export type Arc = Omit<Schemas['ArcRequest'], 'seed'>;

/**
 * Runs the simulated arc for a setting, anew with each turn of a knob: one question at a time, always the newest. Tells how long it
 * took from the turn to the answer.
 */
export function useArc(arc: Arc, onRun: (run: Schemas['ArcRun']) => void) {
  const [run, setRun] = useState<Schemas['ArcRun']>();
  const [trouble, setTrouble] = useState<Refused>();
  const [heardMs, setHeardMs] = useState(0);
  const asked = useRef('');
  const wanted = useRef<{ arc: Arc; at: number }>(null);
  const busy = useRef(false);
  const seed = useRef(1);
  const heard = useRef(onRun);
  useEffect(() => {
    heard.current = onRun;
  });

  const ask = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    for (let next = wanted.current; next; next = wanted.current) {
      wanted.current = null;
      try {
        seed.current = (seed.current % 1000) + 1;
        const answered = await answer(
          api.POST('/api/arc/run', { body: { ...next.arc, seed: seed.current } }),
        );
        heard.current(answered);
        setRun(answered);
        setTrouble(undefined);
        setHeardMs(Math.round(performance.now() - next.at));
      } catch (error) {
        setTrouble(error instanceof Refused ? error : new Refused(0, 'The arc could not be run.'));
      }
    }
    busy.current = false;
  }, []);

  const key = JSON.stringify(arc);
  useEffect(() => {
    if (asked.current === key) return;
    asked.current = key;
    wanted.current = { arc: JSON.parse(key) as Arc, at: performance.now() };
    void ask();
  }, [key, ask]);
  return { run, trouble, heardMs };
}
