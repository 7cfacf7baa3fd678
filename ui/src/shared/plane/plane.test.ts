import { describe, expect, it } from 'vitest';
import { bandPath } from './band';
import { ticksOf } from './Plane';

const volts = { from: 16, to: 24, label: 'volts' };

describe('ticks of an axis', () => {
  it('are round in the numbers’ own unit where there is no other', () => {
    expect(ticksOf(volts, 5).map((tick) => tick.name)).toEqual(['16', '18', '20', '22', '24']);
  });

  // 1 m/min is 39.37 in/min, exactly 1000 / 25.4.
  it('are round in the reader’s unit, and lie where that number lies', () => {
    const ticks = ticksOf({ from: 5, to: 10, label: 'in/min', per: 1000 / 25.4 }, 5);
    expect(ticks.map((tick) => tick.name)).toEqual(['200', '250', '300', '350']);
    expect(ticks[0]?.at).toBeCloseTo(5.08, 10);
  });

  it('are the places that mean something, where only those do', () => {
    const places = [{ at: 1, name: 'Lap' }];
    expect(ticksOf({ ...volts, places }, 5)).toBe(places);
  });
});

describe('a band', () => {
  it('goes along its top and back along its bottom', () => {
    const same = (value: number) => value;
    const box = { left: 0, top: 0, right: 1, bottom: 1 };
    const band = [
      { wireFeedMPerMin: 5, lowVolts: 17, highVolts: 19 },
      { wireFeedMPerMin: 7, lowVolts: 18, highVolts: 20 },
    ];
    expect(bandPath(band, { x: same, y: same, box })).toBe('M5,19L7,20L7,18L5,17Z');
  });
});
