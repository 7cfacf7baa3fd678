import { useHotkeys } from '@mantine/hooks';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { changed, fromMarks, type Marks, type Mode, modes, order, type Point } from './sectionMarks';

// So many steps can be taken back.
const mostSteps = 50;

/** The marks on a section while they are being set: what is marked now, and every step to take back. */
export function useMarking(picture: Schemas['Picture']) {
  const [marks, setMarks] = useState<Marks>(() => fromMarks(picture.marks));
  const [before, setBefore] = useState<Marks[]>([]);
  const [mode, setMode] = useState<Mode>(
    () => order.find((one) => fromMarks(picture.marks)[one].length === 0) ?? 'scale',
  );
  const [held, setHeld] = useState<{ mode: Mode; index: number }>();
  const remember = () => setBefore((all) => [...all.slice(-mostSteps), marks]);
  const put = (next: Marks) => {
    remember();
    setMarks(next);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setBefore((all) => all.slice(0, -1));
    setMarks(last);
  };
  const turn = (by: number) =>
    setMode(order[Math.min(Math.max(order.indexOf(mode) + by, 0), order.length - 1)] ?? mode);
  const place = (point: Point) => {
    const own = marks[mode];
    const { most } = modes[mode];
    const next = own.length < most ? [...own, point] : [...own.slice(0, -1), point];
    put(changed(marks, mode, next));
    // What takes one or two points is done with them.
    if (most <= 2 && next.length === most && own.length < most) turn(1);
  };
  const moved = (index: number, by: Point) =>
    changed(
      marks,
      mode,
      marks[mode].map((old, i) => (i === index ? { x: old.x + by.x, y: old.y + by.y } : old)),
    );
  const nudge = (x: number, y: number) => () => {
    if (marks[mode].length > 0) put(moved(marks[mode].length - 1, { x, y }));
  };
  useHotkeys([
    ['mod+Z', undo],
    ['ArrowLeft', nudge(-1, 0)],
    ['ArrowRight', nudge(1, 0)],
    ['ArrowUp', nudge(0, -1)],
    ['ArrowDown', nudge(0, 1)],
    ['N', () => turn(1)],
    ['P', () => turn(-1)],
  ]);
  return {
    marks,
    mode,
    held,
    setMode,
    place,
    undo: before.length > 0 ? undo : undefined,
    clear: () => put(changed(marks, mode, [])),
    /** Takes marks that were proposed in the place of all there are. */
    take: (proposed: Marks) => {
      put(proposed);
      setMode('toes');
    },
    /** Moves one mark of what is being marked, by keys. */
    nudge: (index: number, by: Point) => put(moved(index, by)),
    hold: (index: number) => {
      remember();
      setHeld({ mode, index });
    },
    drag: (point: Point) => {
      if (!held) return;
      const own = marks[held.mode].map((old, i) => (i === held.index ? point : old));
      setMarks(changed(marks, held.mode, own));
    },
    release: () => setHeld(undefined),
  };
}

/** The marks while they are being set. */
export type Marking = ReturnType<typeof useMarking>;
