import { useEffect, useRef } from 'react';
import { give, type Kind } from './signal';

/**
 * Signals when what is watched becomes another: a hand by its id, a moment that has passed. What is there when a screen opens is none,
 * unless it is asked for too.
 */
export function useSignal(kind: Kind, watched: string | null | undefined, atOnce = false) {
  const last = useRef<string | null | undefined>(undefined);
  useEffect(() => {
    if (watched === undefined) return;
    const first = last.current === undefined;
    const other = watched !== last.current;
    last.current = watched;
    if (watched !== null && other && (!first || atOnce)) give(kind);
  }, [kind, watched, atOnce]);
}
