import type { Schemas } from '../../shared/api/client';

/** A point of the picture, pixels. */
export interface Point {
  x: number;
  y: number;
}

/** What is marked, in the order it is done; how many points at the most, and whether edges draw them. */
export const modes = {
  scale: { title: 'Scale', hint: 'Both ends of a known length', most: 2, snaps: false },
  root: { title: 'Root', hint: 'Where the plates met', most: 1, snaps: false },
  toes: { title: 'Toes', hint: 'Lower plate first, then the upper', most: 2, snaps: true },
  face: { title: 'Face', hint: 'Its highest point, more if you like', most: 40, snaps: true },
  fusion: { title: 'Fusion line', hint: 'Along it, toe to toe', most: 80, snaps: true },
  unfused: { title: 'Unfused', hint: 'Both ends of each dark line', most: 40, snaps: true },
} as const;

export type Mode = keyof typeof modes;
/** The marks of each kind; how the section lies in the picture, where a card says: then that is its scale. */
export type Marks = Record<Mode, Point[]> & { plane?: number[] };

/** One after the other, as they are marked. */
export const order = Object.keys(modes) as Mode[];
export const none: Marks = { scale: [], root: [], toes: [], face: [], fusion: [], unfused: [] };

/** Points two by two: the ends of a line each. */
export const pairs = (points: Point[]) =>
  Array.from({ length: Math.floor(points.length / 2) }, (_, i) => ({
    from: points[2 * i] as Point,
    to: points[2 * i + 1] as Point,
  }));

export const whole = (point: Schemas['Point'] | undefined): Point => ({ x: point?.x ?? 0, y: point?.y ?? 0 });

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
    ...(kept.plane && { plane: kept.plane }),
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
    plane: marks.plane ?? null,
  };
}

/** Marks of one kind changed: a scale that a person sets takes the card's place. */
export function changed(marks: Marks, mode: Mode, points: Point[]): Marks {
  const next = { ...marks, [mode]: points };
  if (mode === 'scale') delete next.plane;
  return next;
}

/** The mark of a kind that is nearest to a point, where one lies within reach. */
export function nearestMark(points: Point[], point: Point, reach: number): number | undefined {
  return points
    .map((at, index) => ({ index, far: Math.hypot(at.x - point.x, at.y - point.y) }))
    .filter(({ far }) => far <= reach)
    .sort((a, b) => a.far - b.far)[0]?.index;
}

/** What is needed and not yet marked, in the order it is done. */
export const missing = (marks: Marks): Mode[] =>
  order.slice(0, 4).filter((one) => marks[one].length < Math.min(2, modes[one].most, one === 'face' ? 1 : 2));

/** The part of a picture that the marks lie in, with as much again round them; the whole of it without marks. */
export function around(marks: Marks, picture: { width: number; height: number }) {
  const all = [...marks.root, ...marks.toes, ...marks.face, ...marks.fusion, ...marks.unfused];
  if (all.length < 2) return { x: 0, y: 0, width: picture.width, height: picture.height };
  const [left, right] = [Math.min(...all.map(({ x }) => x)), Math.max(...all.map(({ x }) => x))];
  const [top, bottom] = [Math.min(...all.map(({ y }) => y)), Math.max(...all.map(({ y }) => y))];
  const size = Math.max(right - left, bottom - top);
  const width = Math.min(picture.width, 2.4 * size);
  const height = Math.min(picture.height, (3 / 4) * width);
  const within = (middle: number, own: number, most: number) =>
    Math.min(most - own, Math.max(0, middle - own / 2));
  return {
    x: within((left + right) / 2, width, picture.width),
    y: within((top + bottom) / 2, height, picture.height),
    width,
    height,
  };
}
