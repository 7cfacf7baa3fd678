import type { Schemas } from '../../shared/api/client';

type Step = Pick<Schemas['ShownStep'], 'exerciseId' | 'before' | 'rank'>;

// A box and what lies between two, px.
export const box = { width: 190, height: 64, across: 46, down: 14 };

export interface Spot {
  x: number;
  y: number;
}

/** Where each step stands: a column for each rank, in it the path's own order. */
export function laidOut(steps: Step[]): Map<string, Spot> {
  const filled = new Map<number, number>();
  return new Map(
    steps.map(({ exerciseId, rank }) => {
      const row = filled.get(rank) ?? 0;
      filled.set(rank, row + 1);
      return [exerciseId, { x: rank * (box.width + box.across), y: row * (box.height + box.down) }];
    }),
  );
}

/** How large the drawing is. */
export function size(at: ReadonlyMap<string, Spot>): { width: number; height: number } {
  const spots = [...at.values()];
  return {
    width: Math.max(0, ...spots.map(({ x }) => x)) + box.width,
    height: Math.max(0, ...spots.map(({ y }) => y)) + box.height,
  };
}

/** A line from each step to each that comes after it. */
export function edgesOf(steps: Step[], at: ReadonlyMap<string, Spot>): { key: string; d: string }[] {
  return steps.flatMap(({ exerciseId, before }) =>
    before.flatMap((earlier) => {
      const [from, to] = [at.get(earlier), at.get(exerciseId)];
      if (!from || !to) return [];
      const [x1, y1] = [from.x + box.width, from.y + box.height / 2];
      const [x2, y2] = [to.x, to.y + box.height / 2];
      const bend = box.across / 2;
      return [
        {
          key: `${earlier} ${exerciseId}`,
          d: `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`,
        },
      ];
    }),
  );
}
