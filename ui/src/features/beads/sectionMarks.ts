import type { Schemas } from '../../shared/api/client';

/** A point of the picture, pixels. */
export interface Point {
  x: number;
  y: number;
}

/** What is marked, in the order it is done; how many points at the most. */
export const modes = {
  scale: { title: 'Scale', hint: 'Both ends of a known length', most: 2 },
  root: { title: 'Root', hint: 'Where the plates met', most: 1 },
  toes: { title: 'Toes', hint: 'Lower plate first, then the upper', most: 2 },
  face: { title: 'Face', hint: 'Its highest point, more if you like', most: 40 },
  fusion: { title: 'Fusion line', hint: 'Along it, toe to toe', most: 80 },
  unfused: { title: 'Unfused', hint: 'Both ends of each dark line', most: 40 },
} as const;

export type Mode = keyof typeof modes;
export type Marks = Record<Mode, Point[]>;

/** One after the other, as they are marked. */
export const order = Object.keys(modes) as Mode[];
export const none: Marks = { scale: [], root: [], toes: [], face: [], fusion: [], unfused: [] };

/** Points two by two: the ends of a line each. */
export const pairs = (points: Point[]) =>
  Array.from({ length: Math.floor(points.length / 2) }, (_, i) => ({
    from: points[2 * i] as Point,
    to: points[2 * i + 1] as Point,
  }));

const whole = (point: Schemas['Point'] | undefined): Point => ({ x: point?.x ?? 0, y: point?.y ?? 0 });

/** What was kept, to go on from. */
export function fromMarks(kept: Schemas['MacroMarks'] | null | undefined): Marks {
  if (!kept) return none;
  return {
    scale: [kept.scaleFrom, kept.scaleTo].map(whole),
    root: [whole(kept.root)],
    toes: [kept.lowerToe, kept.upperToe].map(whole),
    face: kept.face.map(whole),
    fusion: kept.fusionLine.map(whole),
    unfused: kept.unfused.flatMap((line) => [whole(line.from), whole(line.to)]),
  };
}

/** The marks as the server takes them; null while something needed is missing. */
export function toMarks(marks: Marks, scaleLengthMm: number): Schemas['MacroMarks'] | null {
  const [scaleFrom, scaleTo] = marks.scale;
  const [root] = marks.root;
  const [lowerToe, upperToe] = marks.toes;
  if (!scaleFrom || !scaleTo || !root || !lowerToe || !upperToe || marks.face.length === 0) return null;
  return {
    scaleFrom,
    scaleTo,
    scaleLengthMm,
    root,
    lowerToe,
    upperToe,
    face: marks.face,
    fusionLine: marks.fusion,
    unfused: pairs(marks.unfused),
  };
}

/** What is needed and not yet marked, in the order it is done. */
export const missing = (marks: Marks): Mode[] =>
  order.slice(0, 4).filter((one) => marks[one].length < Math.min(2, modes[one].most, one === 'face' ? 1 : 2));
