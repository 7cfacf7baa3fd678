import { describe, expect, it } from 'vitest';
import { withRecent } from './recent';

const to = (id: string) => ({ id, label: id.toUpperCase(), to: `/${id}` });

describe('where somebody went last by name', () => {
  it('stands first, and once', () => {
    expect(withRecent([to('a'), to('b')], to('b')).map((one) => one.id)).toEqual(['b', 'a']);
  });

  it('pushes the oldest out', () => {
    const full = ['a', 'b', 'c', 'd', 'e', 'f'].map(to);
    expect(withRecent(full, to('g')).map((one) => one.id)).toEqual(['g', 'a', 'b', 'c', 'd', 'e']);
  });
});
