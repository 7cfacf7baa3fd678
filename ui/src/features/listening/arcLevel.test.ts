import { expect, test } from 'vitest';
import { type ArcLevel, decibels, heard, noArc } from './arcLevel';

const step = 0.1;

/** Where an arc was told of, in steps, as levels come in. */
function told(levels: number[]) {
  let state: ArcLevel = noArc;
  return levels.flatMap((level, at) => {
    const before = state;
    state = heard(state, level, step);
    return before.on === state.on ? [] : [{ at, on: state.on }];
  });
}

const stretch = (level: number, seconds: number) =>
  Array.from({ length: Math.round(seconds / step) }, () => level);

test('an arc over a quiet booth begins and ends once', () => {
  const changes = told([...stretch(-60, 2), ...stretch(-20, 8), ...stretch(-60, 2)]);
  expect(changes.map(({ on }) => on)).toEqual([true, false]);
  expect(changes[0]?.at).toBeLessThanOrEqual(22);
  expect(changes[1]?.at).toBeLessThanOrEqual(108);
});

test('a loud shop is the quiet of this booth: the arc next door is none of it', () => {
  expect(told([...stretch(-38, 3), ...stretch(-32, 5), ...stretch(-38, 3)])).toEqual([]);
});

test('a bang is no arc, and a stutter does not end one', () => {
  expect(told([...stretch(-60, 2), ...stretch(-10, 0.1), ...stretch(-60, 2)])).toEqual([]);
  const stutters = [...stretch(-20, 3), ...stretch(-60, 0.4), ...stretch(-20, 3)];
  expect(told([...stretch(-60, 2), ...stutters, ...stretch(-60, 2)])).toHaveLength(2);
});

test('an arc in a hall that grows louder slowly is still heard', () => {
  const rising = Array.from({ length: 100 }, (_, at) => -60 + at * 0.2);
  expect(told([...rising, ...stretch(-12, 3)]).map(({ on }) => on)).toEqual([true]);
});

test('levels are of the whole stretch; silence is far down', () => {
  expect(decibels(new Float32Array(480))).toBeCloseTo(-100, 5);
  const tone = Float32Array.from({ length: 4_800 }, (_, at) => Math.sin((2 * Math.PI * 440 * at) / 48_000));
  // A full sine is 3.01 dB under full scale: its power is a half.
  expect(decibels(tone)).toBeCloseTo(-3.01, 1);
});
