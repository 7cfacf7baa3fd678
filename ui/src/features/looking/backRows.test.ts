import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { backRows } from './backRows';

const trace = (share: number, pieces: number): Schemas['BackTrace'] => ({
  share,
  pieces,
  width: { valueMm: 2.5, lowMm: 2, highMm: 3 },
  variesMm: 0.3,
  even: pieces === 1 && share >= 0.9,
});

const said = (measures: Partial<Schemas['BackMeasures']>, inch = false) =>
  Object.fromEntries(
    backRows.map(([name, of]) => [name, of({ mark: null, tint: null, holesMm: [], ...measures }, inch)]),
  );

describe('what the eye measured behind a bead', () => {
  it('says that nothing is to be seen, and not that nothing is there', () => {
    expect(Object.values(said({}))).toEqual(Array(3).fill(['none to be seen']));
  });

  it('tells even from broken, with how much of the length shows it', () => {
    expect(said({ mark: trace(0.97, 1) })['Mark behind']?.[0]).toBe('even, 97 % of the length');
    expect(said({ mark: trace(0.4, 1) })['Mark behind']?.[0]).toBe('broken, 40 % of the length in 1 piece');
    expect(said({ tint: trace(0.95, 3) })['Tint behind']?.[0]).toBe('broken, 95 % of the length in 3 pieces');
  });

  it("says how wide it is in the reader's units", () => {
    expect(said({ tint: trace(1, 1) })['Tint behind']?.[1]).toMatch(/^2\.5.mm wide, 2\.0.mm to 3\.0.mm/);
    expect(said({ tint: trace(1, 1) }, true)['Tint behind']?.[1]).toMatch(/^0\.098 in wide/);
  });

  it('only suspects holes, and says how wide the largest is', () => {
    expect(said({ holesMm: [3.2] })['Burnt through']).toEqual([
      'suspected at 1 place',
      'largest 3.2 mm wide; where it is one, note a hole',
    ]);
    expect(said({ holesMm: [1.5, 4] })['Burnt through']?.[0]).toBe('suspected at 2 places');
  });
});
