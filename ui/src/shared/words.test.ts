import { describe, expect, it } from 'vitest';
import { counted, countedAll } from './words';

describe('counts in a sentence', () => {
  it.each([
    [1, 'bead', '1 bead'],
    [2, 'bead', '2 beads'],
    [0, 'reading', '0 readings'],
  ])('%d %s', (count, one, said) => {
    expect(counted(count, one)).toBe(said);
  });

  it('names nothing that there is none of', () => {
    expect(countedAll([0, 'sweep mark'], [18, 'bead'])).toBe('18 beads');
    expect(countedAll([12, 'sweep mark'], [1, 'bead'])).toBe('12 sweep marks and 1 bead');
    expect(countedAll([0, 'sweep mark'], [0, 'bead'])).toBe('');
  });
});
