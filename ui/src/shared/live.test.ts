import { describe, expect, it } from 'vitest';
import { touches } from './live';

const bead = { kind: 'bead', boothId: 'booth-1', studentId: 'ilsa', id: 'b7', beadId: 'b7' };

describe('which query a notice makes old', () => {
  it.each([
    ['the bench it was laid at', ['room', 'bench', 's1', 'booth-1'], true],
    ['another bench', ['room', 'bench', 's1', 'booth-2'], false],
    ['its own file', ['room', 'bead-file', 'b7'], true],
    ['another bead’s file', ['room', 'bead-file', 'b6'], false],
    ['the room', ['room', 'tonight'], true],
    ['the rack', ['room', 'rack', 'ilsa'], true],
    ['a test weld, which no bead changes', ['room', 'test-weld', 't1'], false],
    ['a sheet being computed', ['room', 'compute', 'booth-1'], false],
    ['what is not of the room', ['tolerances'], false],
  ])('a bead: %s', (_, key, old) => {
    expect(touches(bead, key)).toBe(old);
  });

  it('takes every bead’s file as old where the notice names none', () => {
    expect(touches({ ...bead, beadId: null }, ['room', 'bead-file', 'b6'])).toBe(true);
  });

  it('leaves nothing of the room as it was for a kind it does not know', () => {
    expect(touches({ kind: 'fire drill', boothId: null, studentId: null }, ['room', 'compute'])).toBe(true);
  });

  it('brings a test weld up at a word on it', () => {
    const word = { kind: 'test', boothId: 'booth-1', studentId: 'ilsa' };
    expect(touches(word, ['room', 'test-weld', 't1'])).toBe(true);
    expect(touches(word, ['room', 'test-welds', 'ilsa'])).toBe(true);
  });
});
