import { describe as group, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { controlOf, fronts } from './fronts';
import { describe, everyMark, isListed, readMark } from './marks';

const drawn = {
  lowest: 1,
  highest: 10,
  step: 1,
  unit: 'in/min',
  names: '',
  fineSteps: 4,
  trimVolts: 0.3,
};
const of = (kind: Schemas['ControlKind'], more: Partial<typeof drawn> = {}) =>
  controlOf({ kind, ...drawn, ...more });

group('a mark as it reads on the machine', () => {
  it.each([
    ['a display', of('digital', { lowest: 50, highest: 700, step: 10 }), 280, '280 in/min'],
    ['a knob', of('knob', { lowest: 0, highest: 100, step: 1 }), 47, '47'],
    ['numbered taps', of('tap'), 6, 'tap 6'],
    ['named taps', of('tap', { names: 'A, B, C' }), 2, 'tap B'],
    ['coarse and fine', of('coarseFine', { names: 'low, high' }), 6, 'coarse high, fine 2'],
    ['a plate selector', of('plateSelector', { names: '16 ga, 1/8, 1/4' }), 2, 'plate 1/8'],
    ['a trim above nothing', of('trim', { lowest: -5, highest: 5, step: 1 }), 2, 'trim +2'],
    ['a trim at nothing', of('trim', { lowest: -5, highest: 5, step: 1 }), 0, 'trim 0'],
    ['a trim below', of('trim', { lowest: -5, highest: 5, step: 1 }), -2, 'trim -2'],
  ])('%s', (_, control, mark, read) => {
    expect(readMark(control, mark)).toBe(read);
  });

  it('every mark of a stepped control, without what adding up tenths leaves behind', () => {
    expect(everyMark(of('knob', { lowest: 0, highest: 0.5, step: 0.1 }))).toEqual([
      0, 0.1, 0.2, 0.3, 0.4, 0.5,
    ]);
    expect(everyMark(of('coarseFine', { names: 'low, high' }))).toHaveLength(8);
  });

  it('names are picked from a list, numbers are not', () => {
    expect(isListed(of('tap', { names: 'A, B' }))).toBe(true);
    expect(isListed(of('coarseFine', { names: 'low, high' }))).toBe(true);
    expect(isListed(of('knob'))).toBe(false);
    expect(isListed(of('digital'))).toBe(false);
  });

  it('a range reads by its own marks', () => {
    expect(describe(of('tap', { names: 'A, B, C' }))).toBe('taps, tap A to tap C');
    expect(describe(of('trim', { lowest: -5, highest: 5 }))).toBe(
      'follow the wire control; trim -5 to trim +5, 0.3 V a mark',
    );
  });

  it.each(Object.entries(fronts))(
    '%s: every control has marks from its lowest to its highest',
    (_, front) => {
      for (const shown of [front.wire, front.volt, front.amp]) {
        if (!shown) continue;
        const control = controlOf(shown);
        const marks = everyMark(control);
        expect(marks.length).toBeGreaterThan(1);
        expect(marks.at(-1)).toBeCloseTo(control.highestMark, 6);
        for (const mark of marks.slice(0, 50)) expect(readMark(control, mark)).not.toMatch(/undefined|NaN/);
      }
    },
  );
});
