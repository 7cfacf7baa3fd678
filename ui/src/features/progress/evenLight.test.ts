import { expect, test } from 'vitest';
import { brightness, evenLight, turnedAcross, acrossMm } from './evenLight';

const grey = (value: number, count: number) =>
  Array.from({ length: count }, () => [value, value, value, 255]).flat();

test('a grey picture is as bright as its grey, and two unlike ones come out alike', () => {
  expect(brightness(grey(60, 50))).toBeCloseTo(60);
  expect(brightness([])).toBe(0);
  const [dark, light] = [brightness(grey(60, 9)), brightness(grey(200, 9))];
  expect(dark * evenLight(dark)).toBeCloseTo(light * evenLight(light));
});

test('green counts most, and what is black is not blown up', () => {
  expect(brightness([0, 255, 0, 255])).toBeGreaterThan(brightness([255, 0, 0, 255]));
  expect(evenLight(0)).toBe(2.5);
  expect(evenLight(255)).toBeGreaterThan(0.4);
});

test('a picture that was taken upright is laid across', () => {
  expect(turnedAcross(3000, 4000)).toBe(90);
  expect(turnedAcross(4000, 3000)).toBe(0);
});

test('a picture is as many millimetres across as its frame is, whichever way it was held', () => {
  expect(acrossMm(2000, 1500, 20)).toBe(100);
  expect(acrossMm(1500, 2000, 20)).toBe(100);
  // A wide one fills the width, a square one the height.
  expect(acrossMm(3200, 1800, 20)).toBe(160);
  expect(acrossMm(1500, 1500, 20)).toBe(100);
});
