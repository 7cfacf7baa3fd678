import { useHotkeys } from '@mantine/hooks';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import type { FaceRequest } from './queries';
import { moved, type Point, type Side, type Toes, whole } from './toes';

// So many steps can be taken back.
const mostSteps = 50;

/** What a tap on the picture means. */
export type Tool = 'toes' | 'ends' | 'scale';

interface Asked {
  ends: Point[];
  toes: Toes | null;
  scale: Point[];
}

const nothing: Asked = { ends: [], toes: null, scale: [] };

/**
 * What is asked of the eye while a person looks over what it says: ends tapped, toes dragged, a known length marked; each step can be
 * taken back.
 */
export function useFace(kept: Schemas['FaceSeen'] | null) {
  const [asked, setAsked] = useState<Asked>(
    kept ? { ...nothing, toes: { left: whole(kept.left), right: whole(kept.right) } } : nothing,
  );
  const [before, setBefore] = useState<Asked[]>([]);
  const [tool, setTool] = useState<Tool>('toes');
  const [dragged, setDragged] = useState<Toes>();
  const [scaleMm, setScaleMm] = useState(50);
  const put = (next: Asked) => {
    setBefore((all) => [...all.slice(-mostSteps), asked]);
    setAsked(next);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setBefore((all) => all.slice(0, -1));
    setAsked(last);
    setDragged(undefined);
  };
  useHotkeys([['mod+Z', undo]]);
  const place = (point: Point) => {
    if (tool === 'toes') return;
    const own = asked[tool].length >= 2 ? [point] : [...asked[tool], point];
    put({ ...asked, toes: null, [tool]: own });
    if (own.length === 2) setTool('toes');
  };
  const [from, to] = asked.ends;
  const [scaleFrom, scaleTo] = asked.scale;
  const request: FaceRequest = {
    from: to ? (from ?? null) : null,
    to: to ?? null,
    left: asked.toes?.left ?? null,
    right: asked.toes?.right ?? null,
    scale: scaleFrom && scaleTo ? { from: scaleFrom, to: scaleTo, lengthMm: scaleMm } : null,
  };
  return {
    request,
    tool,
    setTool,
    ends: asked.ends,
    scale: asked.scale,
    scaleMm,
    setScaleMm,
    corrected: asked.toes !== null,
    dragged,
    place,
    undo: before.length > 0 ? undo : undefined,
    /** Moves a grip while it is held. */
    drag: (toes: Toes, side: Side, index: number, point: Point) =>
      setDragged({ ...toes, [side]: moved(toes[side], index, point) }),
    /** Lets go of it: what it is now is measured. */
    release: () => {
      if (!dragged) return;
      put({ ...asked, toes: dragged });
      setDragged(undefined);
    },
    /** Moves a grip by keys, and measures. */
    nudge: (toes: Toes, side: Side, index: number, by: Point) => {
      const old = toes[side][index];
      if (!old) return;
      const next = moved(toes[side], index, { x: old.x + by.x, y: old.y + by.y });
      put({ ...asked, toes: { ...toes, [side]: next } });
    },
    /** Forgets what was corrected: the eye looks anew. */
    anew: () => put({ ...asked, toes: null }),
  };
}

/** What is asked of the eye. */
export type Face = ReturnType<typeof useFace>;
