import { useHotkeys } from '@mantine/hooks';
import { useMemo, useState } from 'react';
import type { BackRequest } from './queries';
import type { Point } from './toes';

// So many steps can be taken back.
const mostSteps = 50;

/** What a tap on the picture means. */
export type BackTool = 'ends' | 'scale';

interface Pointed {
  ends: Point[];
  scale: Point[];
  notHoles: Point[];
}

function asked({ ends, scale, notHoles }: Pointed, scaleMm: number): BackRequest | undefined {
  const [from, to] = ends;
  const [scaleFrom, scaleTo] = scale;
  if (!from || !to) return undefined;
  return {
    from,
    to,
    scale: scaleFrom && scaleTo ? { from: scaleFrom, to: scaleTo, lengthMm: scaleMm } : null,
    notHoles: notHoles.length > 0 ? notHoles : null,
  };
}

/** Where a person says that a bead lies behind the plate, and a known length; each step can be taken back. */
export function useBack() {
  const [pointed, setPointed] = useState<Pointed>({ ends: [], scale: [], notHoles: [] });
  const [before, setBefore] = useState<Pointed[]>([]);
  const [tool, setTool] = useState<BackTool>('ends');
  const [scaleMm, setScaleMm] = useState(50);
  const put = (next: Pointed) => {
    setBefore((all) => [...all.slice(-mostSteps), pointed]);
    setPointed(next);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setBefore((all) => all.slice(0, -1));
    setPointed(last);
  };
  useHotkeys([['mod+Z', undo]]);
  const request = useMemo(() => asked(pointed, scaleMm), [pointed, scaleMm]);
  return {
    ...pointed,
    tool,
    setTool,
    scaleMm,
    setScaleMm,
    undo: before.length > 0 ? undo : undefined,
    /** What is asked of the eye; nothing before both ends are known. */
    request,
    /** A tap: the first of two points, or the second. */
    place: (point: Point) => {
      const own = pointed[tool].length >= 2 ? [point] : [...pointed[tool], point];
      put({ ...pointed, notHoles: tool === 'ends' ? [] : pointed.notHoles, [tool]: own });
    },
    /** Puts both ends somewhere, for whoever goes on from there by keys. */
    begin: (ends: [Point, Point]) => put({ ...pointed, ends }),
    /** Says that what was taken for a hole is none. */
    noHole: (point: Point) => put({ ...pointed, notHoles: [...pointed.notHoles, point] }),
    /** Moves one end. */
    move: (index: number, to: Point) =>
      put({ ...pointed, ends: pointed.ends.map((point, i) => (i === index ? to : point)) }),
  };
}

export type Back = ReturnType<typeof useBack>;
