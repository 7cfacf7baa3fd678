import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import {
  changed,
  changedIn,
  mergedOnto,
  namesOf,
  nothingNoted,
  readPores,
  toDraft,
  toEvidence,
} from './evidenceDraft';

const evidence = (part: Partial<Schemas['Evidence']>): Schemas['Evidence'] => ({
  ...toEvidence(nothingNoted),
  ...part,
});
const measured = (part: Partial<Schemas['Measures']>) => part as Schemas['Measures'];

describe('a number keeps the unit it was typed in', () => {
  // 1 in = 25.4 mm exactly (international yard and pound agreement, 1959).
  it('0.2 typed by an inch reader is 5.08 mm, whatever the reader changes to afterwards', () => {
    const typed = changed(nothingNoted, { size: 0.2 }, 'inch');
    expect(typed.units).toBe('inch');
    const more = changed(typed, { stickOut: 0.375 }, 'metric');
    expect(toEvidence(more).beadSizeMm).toBeCloseTo(5.08, 9);
    expect(toEvidence(more).stickOutMm).toBeCloseTo(9.525, 9);
  });

  it('takes the reader’s units again when the last number is taken away', () => {
    const typed = changed(nothingNoted, { size: 0.2 }, 'inch');
    expect(changed(typed, { size: '' }, 'metric').units).toBeNull();
  });

  it('seconds, volts and amps are the same for everybody', () => {
    const draft = changed(
      nothingNoted,
      { measured: { arcSeconds: 17, arcVolts: 18.5, arcAmps: 120 } },
      'inch',
    );
    expect(toEvidence(draft).measured).toMatchObject({ arcSeconds: 17, arcVolts: 18.5, arcAmps: 120 });
  });
});

describe('what nobody touched is sent as it was', () => {
  it.each(['inch', 'metric'] as const)('every tenth and hundredth of a millimetre, read in %s', (units) => {
    for (let mm = 0.1; mm < 12; mm += 0.07) {
      const was = evidence({
        beadSizeMm: mm,
        stickOutMm: mm + 3,
        measured: measured({ crownMm: mm / 3, poresMm: [mm / 7] }),
      });
      const sent = toEvidence(toDraft(was, units));
      expect(sent.beadSizeMm).toBe(mm);
      expect(sent.stickOutMm).toBe(mm + 3);
      expect(sent.measured?.crownMm).toBe(mm / 3);
      expect(sent.measured?.poresMm).toEqual([mm / 7]);
      expect(changedIn(sent, was)).toEqual([]);
    }
  });

  it('and what was touched is sent as typed', () => {
    const draft = toDraft(evidence({ beadSizeMm: 3.6, stickOutMm: 10 }), 'inch');
    const sent = toEvidence({ ...draft, size: 0.2 });
    expect(sent.beadSizeMm).toBeCloseTo(5.08, 9);
    expect(sent.stickOutMm).toBe(10);
  });

  it('a number taken away is gone', () => {
    const draft = toDraft(evidence({ beadSizeMm: 3.6 }), 'inch');
    expect(toEvidence({ ...draft, size: '' }).beadSizeMm).toBeNull();
  });
});

describe('pores as typed', () => {
  it.each([
    ['', null],
    ['   ', null],
    ['none', []],
    ['NONE', []],
    ['0', []],
    ['1.2', [1.2]],
    ['1,2', [1.2]],
    ['0.5 1', [0.5, 1]],
    ['0.5; 1', [0.5, 1]],
    ['0.5, 1', [0.5, 1]],
  ])('"%s"', (typed, read) => {
    expect(readPores(typed, 1)).toEqual(read);
  });

  it('what is no number is sent as a pore that cannot be, so that the server answers at the field', () => {
    expect(toEvidence({ ...nothingNoted, pores: 'two' }).measured?.poresMm).toEqual([999]);
  });
});

describe('two looks from one version', () => {
  const from = evidence({ sound: 'hiss', beadSizeMm: 3.6 });
  const theirs = evidence({ sound: 'hiss', toes: 'cold', beadSizeMm: 3.6 });

  it('says what each changed, by name', () => {
    expect(namesOf(changedIn(theirs, from))).toBe('toes');
    expect(namesOf(changedIn(evidence({ sound: 'hiss', beadSizeMm: 4 }), from))).toBe('size');
  });

  it('going on with both keeps theirs where I changed nothing and mine where I did', () => {
    const mine = evidence({ sound: 'popping', profile: 'tallNarrow', beadSizeMm: 3.6 });
    const both = toEvidence(mergedOnto(theirs, mine, from, 'inch'));
    expect(both).toMatchObject({ sound: 'popping', profile: 'tallNarrow', toes: 'cold', beadSizeMm: 3.6 });
  });

  it('a section that was measured outlives a look that knows nothing of it', () => {
    const section = { ...theirs, macro: { lowerLegMm: 4 } as Schemas['MacroMeasures'] };
    expect(toEvidence(mergedOnto(section, from, from, 'metric')).macro).toEqual(section.macro);
  });
});
