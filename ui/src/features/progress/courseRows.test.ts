import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { shownOf, type Shown, type Sorted } from './courseRows';
import { rowsOf } from './kinds';

const student = (name: string, of: Partial<Schemas['CourseStudent']>): Schemas['CourseStudent'] => ({
  student: { id: name, name },
  states: [],
  done: 0,
  stuckOn: null,
  isAhead: false,
  beads: 0,
  right: 0,
  last: null,
  ...of,
});

const students = [
  student('Cora', { done: 2, beads: 10, right: 9, last: '2026-11-20', isAhead: true }),
  student('Abel', { done: 1, beads: 10, right: 2, last: '2026-11-22', stuckOn: { say: 'Cold', with: [] } }),
  student('Bo', { done: 1, states: ['rusty'], beads: 4, right: 2, last: '2026-09-02' }),
  student('Dag', {}),
];
const names = (shown: Shown, sorted: Sorted) =>
  shownOf(students, shown, sorted)
    .map((one) => one.student.name[0])
    .join('');

describe('a course’s table', () => {
  it.each<[Shown, Sorted, string]>([
    ['all', 'name', 'ABCD'],
    ['all', 'done', 'DABC'],
    ['all', 'share', 'ABCD'],
    ['all', 'last', 'DBCA'],
    ['stuck', 'name', 'A'],
    ['ahead', 'done', 'C'],
    ['rusty', 'last', 'B'],
  ])('shows %s by %s as %s', (shown, sorted, order) => expect(names(shown, sorted)).toBe(order));
});

describe('a skill map', () => {
  it('has the rows and columns there are, in the order of the trade', () => {
    const { rows, columns } = rowsOf([
      { process: 'gtawDc', joint: 'lap', position: 'overhead' },
      { process: 'gmawShortCircuit', joint: 't', position: 'flat' },
      { process: 'gmawShortCircuit', joint: 'lap', position: 'flat' },
      { process: 'gmawShortCircuit', joint: 'lap', position: 'horizontal' },
    ]);
    expect(rows.map((row) => `${row.process} ${row.joint} ${row.first}`)).toEqual([
      'gmawShortCircuit lap true',
      'gmawShortCircuit t false',
      'gtawDc lap true',
    ]);
    expect(columns).toEqual(['flat', 'horizontal', 'overhead']);
  });
});
