import type { Schemas } from '../../shared/api/client';

/** A point of the picture, pixels. */
export interface Point {
  x: number;
  y: number;
}

/** Both toes of a bead. */
export interface Toes {
  left: Point[];
  right: Point[];
}

export type Side = keyof Toes;

/** Points as the server sends them. */
export const whole = (points: Schemas['Point'][]): Point[] => points.map(({ x = 0, y = 0 }) => ({ x, y }));

/** Of the points along a toe, those that can be taken hold of: few enough for a thumb. */
export function grips(points: Point[], many = 9): number[] {
  if (points.length <= many) return points.map((_, i) => i);
  return Array.from({ length: many }, (_, i) => Math.round((i * (points.length - 1)) / (many - 1)));
}

/** The grip nearest to a point, where one lies within reach: a finger does not hit one by itself. */
export function nearest(toes: Toes, point: Point, reach: number): { side: Side; index: number } | undefined {
  return (['left', 'right'] as const)
    .flatMap((side) => grips(toes[side]).map((index) => ({ side, index, at: toes[side][index] as Point })))
    .map((grip) => ({ ...grip, far: Math.hypot(grip.at.x - point.x, grip.at.y - point.y) }))
    .filter(({ far }) => far <= reach)
    .sort((a, b) => a.far - b.far)[0];
}

/** A toe with one point moved; its neighbours follow, the less the further off they are, up to the next grips. */
export function moved(points: Point[], index: number, to: Point): Point[] {
  const from = points[index];
  if (!from) return points;
  const all = grips(points);
  const at = all.indexOf(index);
  const before = all[at - 1] ?? index;
  const after = all[at + 1] ?? index;
  return points.map((point, i) => {
    const reach = i < index ? index - before : after - index;
    const share = i === index ? 1 : reach === 0 ? 0 : Math.max(0, 1 - Math.abs(i - index) / reach);
    return share === 0
      ? point
      : { x: point.x + share * (to.x - from.x), y: point.y + share * (to.y - from.y) };
  });
}

/** A length as the eye reads it: finer than a rule does. */
export const fine = (mm: number, inch: boolean) =>
  inch ? `${(mm / 25.4).toFixed(3)} in` : `${mm.toFixed(1)} mm`;

/** Between what a length lies. */
export const between = (read: Schemas['ReadLength'], inch: boolean) =>
  `${fine(read.lowMm, inch)} to ${fine(read.highMm, inch)}`;
