import { describe, expect, it } from 'vitest';
import { emptyProgram, newMachine, toMachine, withFront } from './machineEntry';
import { nearestMark } from './marks';

describe('a machine while it is described', () => {
  it('has no rating until one is typed, and its most is its rating where nothing else is', () => {
    expect(toMachine(newMachine).rating).toBeNull();
    const rated = toMachine({ ...newMachine, ratedAmps: 150, ratedPercent: 30 });
    expect(rated.rating).toEqual({ amps: 150, dutyPercent: 30, mostAmps: 150 });
  });

  it('leaves out a program that is not filled in', () => {
    const half = { ...emptyProgram(), number: 3 };
    const full = { ...half, wire: 'solid09', gas: 'argonCarbon25', process: 'gmawShortCircuit' } as const;
    expect(toMachine({ ...newMachine, programs: [half, full] }).programs).toEqual([
      { number: 3, wire: 'solid09', gas: 'argonCarbon25', process: 'gmawShortCircuit' },
    ]);
  });

  it('loses its wire and takes argon and torch on minus with a front for a tungsten', () => {
    const tig = toMachine({ ...newMachine, ...withFront('TIG: amp knob 0-10') });
    expect(tig.load).toEqual({ wire: null, gas: 'argon', polarity: 'torchMinus' });
    expect(tig.wireControl).toBeNull();
  });
});

describe('the nearest mark', () => {
  const knob = {
    ...toMachine({ ...newMachine, ...withFront('Wire knob 0-10, volt knob 0-10') }).wireControl,
  };

  it.each([
    [4.26, 4.3],
    [-3, 0],
    [18, 10],
    [0.04, 0],
  ])('of %d is %d on a knob from 0 to 10 by tenths', (mark, nearest) => {
    expect(nearestMark(knob as never, mark)).toBe(nearest);
  });
});
