import { describe, expect, it } from 'vitest';
import { around, fromMarks, type Marks, missing, none, pairs, toMarks } from './sectionMarks';

const at = (x: number, y = 0) => ({ x, y });
const whole: Marks = {
  scale: [at(0), at(100)],
  root: [at(50, 50)],
  toes: [at(80, 50), at(50, 20)],
  face: [at(66, 34)],
  fusion: [],
  unfused: [at(1), at(2), at(3), at(4), at(5)],
};

describe('the marks on a section', () => {
  it('are named as long as they are needed, in the order they are set', () => {
    expect(missing(none)).toEqual(['scale', 'root', 'toes', 'face']);
    expect(missing({ ...whole, toes: [at(80, 50)] })).toEqual(['toes']);
    expect(missing(whole)).toEqual([]);
  });

  it('are sent once nothing needed is missing, and come back as they were sent', () => {
    expect(toMarks({ ...whole, face: [] }, 10)).toBeNull();
    const sent = toMarks(whole, 12.5);
    expect(sent?.scaleLengthMm).toBe(12.5);
    // A fifth point has no other end yet.
    expect(fromMarks(sent)).toEqual({ ...whole, unfused: whole.unfused.slice(0, 4) });
  });

  it('stand two by two where they are the ends of lines', () => {
    expect(pairs([at(1), at(2), at(3)])).toEqual([{ from: at(1), to: at(2) }]);
  });

  it('are looked at from near, with as much again round them, and never past the picture', () => {
    expect(around(none, { width: 400, height: 300 })).toEqual({ x: 0, y: 0, width: 400, height: 300 });
    expect(around(whole, { width: 4000, height: 3000 })).toEqual({ x: 0, y: 0, width: 189.6, height: 142.2 });
    expect(around(whole, { width: 100, height: 60 })).toEqual({ x: 0, y: 0, width: 100, height: 60 });
  });
});
