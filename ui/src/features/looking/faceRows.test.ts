import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { faceRows } from './faceRows';

const read = (valueMm: number) => ({ valueMm, lowMm: valueMm - 0.2, highMm: valueMm + 0.2 });

const plain: Schemas['FaceMeasures'] = {
  length: read(60),
  width: read(6),
  wandersMm: 0.1,
  offStraightMm: 0.2,
  ripple: null,
  rippleSpread: null,
  spatter: { count: 0, largestMm: 0, furthestMm: 0 },
  poresMm: [],
  poresPer25Mm: 0,
  leftTint: null,
  rightTint: { width: read(0), variesMm: 0, hottest: null },
  leg: null,
  undercutMm: null,
  crater: null,
  restart: null,
};

const said = (measures: Schemas['FaceMeasures'], inch = false) =>
  Object.fromEntries(faceRows.map(([name, of]) => [name, of(measures, inch)]));

describe('what the eye measured of a face', () => {
  it('says nothing of what it could not read, and none where there is none', () => {
    const rows = said(plain);
    expect(rows['From ripple to ripple']).toBeNull();
    expect(rows['Ripples vary by']).toBeNull();
    expect(rows['Leg, both alike']).toBeNull();
    expect(rows.Spatter).toEqual(['none']);
    expect(rows.Pores).toEqual(['none']);
    expect(rows['Tint on the left']).toEqual(['not to be seen']);
    expect(rows['Tint on the right']).toEqual(['none']);
  });

  it('does not say that undercut, crater and restart are not there', () => {
    const rows = said(plain);
    expect([rows.Undercut, rows.Crater, rows['Stopped and begun anew']]).toEqual([null, null, null]);
    expect(said({ ...plain, crater: false, restart: false }).Crater).toBeNull();
  });

  it('only suspects undercut, and sends for a gauge', () => {
    const [says, doubt] = said({ ...plain, undercutMm: 12 }).Undercut ?? [];
    expect(says).toMatch(/^suspected along .*12.* of the toes$/);
    expect(doubt).toMatch(/gauge/);
  });

  it("says a length with what it lies between, in the reader's units", () => {
    expect(said(plain).Length?.[0]).toMatch(/60.*mm/);
    expect(said(plain, true).Length?.[0]).toMatch(/2\.36\d? in/);
    expect(said(plain).Length?.[1]).toMatch(/59\.8.*60\.2/);
  });

  it('counts spatter and pores with the largest of them', () => {
    const rows = said({
      ...plain,
      spatter: { count: 4, largestMm: 1.5, furthestMm: 9 },
      poresMm: [0.6, 1.1],
      poresPer25Mm: 1.7,
    });
    expect(rows.Spatter?.[0]).toBe('4');
    expect(rows.Spatter?.[1]).toMatch(/1\.5.*9/);
    expect(rows.Pores?.[0]).toBe('2');
    expect(rows.Pores?.[1]).toMatch(/1\.1.*1\.7.*25 mm/);
  });
});
