import { describe, expect, it } from 'vitest';
import { snapped } from './snap';

const at = (x: number, y: number) => ({ x, y });

describe('a mark that is dragged', () => {
  const lines = [
    [at(0, 0), at(100, 0)],
    [at(100, 0), at(100, 50), at(140, 50)],
  ];

  it('lies on the nearest line within reach', () => {
    expect(snapped(at(40, 6), lines, 10)).toEqual(at(40, 0));
    expect(snapped(at(104, 30), lines, 10)).toEqual(at(100, 30));
    // Past a line's end its end is nearest.
    expect(snapped(at(146, 52), lines, 10)).toEqual(at(140, 50));
  });

  it('stays where it is held when no line is near', () => {
    expect(snapped(at(40, 11), lines, 10)).toEqual(at(40, 11));
    expect(snapped(at(40, 6), [], 10)).toEqual(at(40, 6));
    expect(snapped(at(40, 6), [[at(40, 6)]], 10)).toEqual(at(40, 6));
  });
});
