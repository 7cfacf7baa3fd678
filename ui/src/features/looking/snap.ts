import type { Point } from './sectionMarks';

/** The place on some lines that is nearest to a point, where one lies within reach; else the point as it is. */
export function snapped(point: Point, lines: Point[][], reach: number): Point {
  let best = point;
  let near = reach;
  for (const line of lines) {
    for (let i = 1; i < line.length; i++) {
      const foot = nearestOf(point, line[i - 1] as Point, line[i] as Point);
      const far = Math.hypot(foot.x - point.x, foot.y - point.y);
      if (far < near) [best, near] = [foot, far];
    }
  }
  return best;
}

function nearestOf(point: Point, from: Point, to: Point): Point {
  const way = { x: to.x - from.x, y: to.y - from.y };
  const size = way.x * way.x + way.y * way.y;
  const share = size === 0 ? 0 : ((point.x - from.x) * way.x + (point.y - from.y) * way.y) / size;
  const along = Math.min(1, Math.max(0, share));
  return { x: from.x + along * way.x, y: from.y + along * way.y };
}
