import { describe, expect, it } from 'vitest';
import { chosenFrom, linesOf, withProblems } from './studentLines';

const read = (name: string, more: object = {}) => ({
  line: 2,
  name,
  login: name.toLowerCase(),
  problems: [],
  alike: [],
  alikeLine: null,
  ...more,
});

describe('the lines of a list', () => {
  it('make new accounts, but for who is here already and for a name that stands twice', () => {
    const lines = linesOf([
      read('Rune'),
      read('Ilsa', { alike: [{ id: 'i', name: 'Ilsa' }] }),
      read('Rune', { alikeLine: 2 }),
    ]);
    expect(lines.map(({ take }) => take)).toEqual(['new', 'here', 'no']);
    const chosen = chosenFrom(lines);
    expect(chosen.made.map(({ name }) => name)).toEqual(['Rune']);
    expect(chosen.here).toEqual(['i']);
  });

  it('count who is here once', () => {
    const twin = { alike: [{ id: 'i', name: 'Ilsa' }] };
    expect(chosenFrom(linesOf([read('Ilsa', twin), read('Ilsa', twin)])).here).toEqual(['i']);
  });

  it('show what was refused at the line that was sent', () => {
    const lines = linesOf([read('Ilsa', { alike: [{ id: 'i', name: 'Ilsa' }] }), read('Rune'), read('Bo')]);
    const shown = withProblems(lines, [
      { field: 'students[1].login', said: { say: 'This login is taken.' } },
    ]);
    expect(shown.map(({ problems }) => problems.map(({ field }) => field))).toEqual([[], [], ['login']]);
  });
});
