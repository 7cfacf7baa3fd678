import { type RefObject, useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { byNeed } from './order';

type View = Schemas['BoothView'];

// How long cards stay where they are after a hand was on them, ms: nothing moves away under a finger.
const still = 4_000;

/** Booths in the order they need somebody; they keep their places while a hand or the keyboard is on them. */
export function useOrder(views: View[], grid: RefObject<HTMLElement | null>, wanted: boolean): View[] {
  const touched = useRef(0);
  const [order, setOrder] = useState<string[]>([]);
  const sorted = wanted ? byNeed(views) : views;
  const ids = sorted.map(({ booth }) => booth.id).join(' ');
  useEffect(() => {
    const place = grid.current;
    const touch = () => {
      touched.current = Date.now();
    };
    const kinds = ['pointermove', 'pointerdown', 'keydown'] as const;
    kinds.forEach((kind) => place?.addEventListener(kind, touch));
    return () => kinds.forEach((kind) => place?.removeEventListener(kind, touch));
  }, [grid]);
  useEffect(() => {
    let waiting: ReturnType<typeof setTimeout> | undefined;
    const settle = () => {
      const rest = touched.current + still - Date.now();
      // Who goes by keys has a place among the cards until they leave it.
      if (grid.current?.querySelector(':focus-visible')) waiting = setTimeout(settle, still);
      else if (rest > 0) waiting = setTimeout(settle, rest);
      else setOrder(ids.split(' '));
    };
    settle();
    return () => clearTimeout(waiting);
  }, [ids, grid]);
  const places = new Map(order.map((id, place) => [id, place]));
  // A booth that is new has no place yet, and the first time none has.
  const placeOf = ({ booth }: View) => places.get(booth.id) ?? Number.MAX_SAFE_INTEGER;
  return [...sorted].sort((one, other) => placeOf(one) - placeOf(other));
}
