import { describe, expect, it } from 'vitest';
import { box, edgesOf, laidOut, size } from './pathLayout';

const step = (exerciseId: string, rank: number, ...before: string[]) => ({ exerciseId, rank, before });
const steps = [step('a', 0), step('b', 1, 'a'), step('c', 1, 'a'), step('d', 2, 'b', 'c')];

describe('a path drawn', () => {
  it('puts a step to the right of all that comes before it, and none onto another', () => {
    const at = laidOut(steps);
    for (const { exerciseId, before } of steps) {
      for (const earlier of before) {
        expect(at.get(earlier)?.x).toBeLessThan(at.get(exerciseId)?.x ?? 0);
      }
    }
    expect(new Set([...at.values()].map(({ x, y }) => `${x} ${y}`)).size).toBe(4);
    expect(size(at)).toEqual({ width: 3 * box.width + 2 * box.across, height: 2 * box.height + box.down });
  });

  it('has a line for each that comes before, and none to what is not on the path', () => {
    const lines = edgesOf([...steps, step('e', 0, 'gone')], laidOut(steps));
    expect(lines.map(({ key }) => key)).toEqual(['a b', 'a c', 'b d', 'c d']);
  });
});
