import { useCallback, useEffect, useRef, useState } from 'react';
import { type Schemas } from '../../shared/api/client';
import { toWav } from './wav';

type HeardNow = Schemas['HeardNow'];

const lastSeconds = 2;

/** What the server hears in the last two seconds, asked each second while a microphone runs; one question at a time. */
export function useLiveEar() {
  const [heard, setHeard] = useState<HeardNow | null>(null);
  const [away, setAway] = useState(false);
  const asking = useRef<AbortController>(null);

  const begin = useCallback(() => {
    setHeard(null);
    setAway(false);
  }, []);

  const listen = useCallback(async (blocks: Float32Array[], rate: number) => {
    if (asking.current) return;
    const control = new AbortController();
    asking.current = control;
    const last: Float32Array[] = [];
    let count = 0;
    for (const block of blocks.slice(-Math.ceil((lastSeconds * rate) / (blocks[0]?.length ?? 1)))) {
      last.push(block);
      count += block.length;
    }
    try {
      const answer = await fetch('/api/listening/live', {
        method: 'POST',
        headers: { 'Content-Type': 'audio/wav' },
        body: toWav(last, count, rate),
        signal: control.signal,
      });
      setAway(!answer.ok);
      if (answer.ok) setHeard((await answer.json()) as HeardNow);
    } catch {
      if (!control.signal.aborted) setAway(true);
    } finally {
      asking.current = null;
    }
  }, []);

  useEffect(() => () => asking.current?.abort(), []);
  return { heard, away, begin, listen };
}
