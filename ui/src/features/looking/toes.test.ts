import { describe, expect, it } from 'vitest';
import { between, fine, grips, moved, nearest } from './toes';

const line = Array.from({ length: 33 }, (_, i) => ({ x: i * 10, y: 100 }));

describe('a toe', () => {
  it('has its ends among its grips, and no more than a thumb can tell apart', () => {
    expect(grips(line)).toHaveLength(9);
    expect(grips(line)[0]).toBe(0);
    expect(grips(line).at(-1)).toBe(32);
    expect(grips(line.slice(0, 3))).toEqual([0, 1, 2]);
  });

  it('follows a point that is moved, up to the next grips and no further', () => {
    const after = moved(line, 16, { x: 160, y: 120 });
    expect(after[16]).toEqual({ x: 160, y: 120 });
    expect(after[14]?.y).toBeCloseTo(110);
    expect(after[12]).toEqual(line[12]);
    expect(after[20]).toEqual(line[20]);
  });

  it('is taken by the grip nearest to a finger, and by none where all are far', () => {
    const toes = { left: line, right: line.map(({ x, y }) => ({ x, y: y + 30 })) };
    expect(nearest(toes, { x: 158, y: 122 }, 25)).toMatchObject({ side: 'right', index: 16 });
    expect(nearest(toes, { x: 158, y: 108 }, 25)).toMatchObject({ side: 'left', index: 16 });
    expect(nearest(toes, { x: 158, y: 300 }, 25)).toBeUndefined();
  });

  it('can be moved by its end', () => {
    const after = moved(line, 0, { x: -20, y: 100 });
    expect(after[0]?.x).toBe(-20);
    expect(after[4]).toEqual(line[4]);
  });
});

describe('a length', () => {
  it('is said in the reader’s units with what it lies between', () => {
    expect(fine(6.35, true)).toBe('0.250 in');
    expect(between({ valueMm: 6.4, lowMm: 6.1, highMm: 6.7 }, false)).toBe('6.1 mm to 6.7 mm');
    expect(between({ valueMm: 6.35, lowMm: 6.1, highMm: 6.6 }, true)).toBe('0.240 in to 0.260 in');
  });
});
