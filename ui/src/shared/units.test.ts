import { describe, expect, it } from 'vitest';
import { inUnits } from './units';
import { fraction } from './words/quantities';

describe('quantities in the reader’s units', () => {
  // 1 in = 25.4 mm and 1 ft = 0.3048 m exactly (international yard and pound agreement, 1959).
  it.each([
    ['length', 25.4, 1],
    ['wireFeed', 0.0254, 1],
    ['travel', 25.4, 1],
    ['gas', 0.3048 ** 3 * 1000, 60],
    // A length in the denominator: 1 kJ/mm is 25.4 kJ/in.
    ['heat', 1 / 25.4, 1],
    ['volts', 19.5, 19.5],
    ['amps', 140, 140],
  ] as const)('%s: %d stored is %d for an inch reader', (kind, stored, inch) => {
    expect(stored * inUnits('inch').per(kind)).toBeCloseTo(inch, 6);
    expect(stored * inUnits('metric').per(kind)).toBe(stored);
  });

  it('says the unit with the number', () => {
    expect(inUnits('metric').show('wireFeed', 7.112)).toBe('7.1 m/min');
    expect(inUnits('inch').show('wireFeed', 7.112)).toBe('280 in/min');
    expect(inUnits('inch').show('length', 3.175)).toBe('1/8 in');
    expect(inUnits('inch').show('volts', 18)).toBe('18.0 V');
  });

  // As a rule is marked: halves, quarters, eighths, sixteenths, thirty-seconds.
  it.each([
    [0, '0'],
    [1 / 32, '1/32'],
    [0.125, '1/8'],
    [0.15, '5/32'],
    [0.249, '1/4'],
    [0.5, '1/2'],
    [1, '1'],
    [1.125, '1 1/8'],
    [2.999, '3'],
  ])('%d in reads %s on a rule', (inches, read) => {
    expect(fraction(inches)).toBe(read);
  });

  it('is never more than half a thirty-second off', () => {
    for (let mm = 0.5; mm < 60; mm += 0.37) {
      const [whole, part] = fraction(mm / 25.4).includes(' ')
        ? fraction(mm / 25.4).split(' ')
        : ['0', fraction(mm / 25.4)];
      const [over, under] = (part ?? '0').split('/').map(Number);
      expect(Math.abs(Number(whole) + (over ?? 0) / (under ?? 1) - mm / 25.4)).toBeLessThanOrEqual(
        1 / 64 + 1e-9,
      );
    }
  });
});
