import type { Schemas } from '../../shared/api/client';

type Student = Schemas['CourseStudent'];

/** Which students are shown. */
export type Shown = 'all' | 'stuck' | 'ahead' | 'rusty';

/** In which order. */
export type Sorted = 'name' | 'done' | 'share' | 'last';

export const shownWords: Record<Shown, string> = {
  all: 'Everybody',
  stuck: 'Who is stuck',
  ahead: 'Who is far ahead',
  rusty: 'Who is rusty',
};
export const sortedWords: Record<Sorted, string> = {
  name: 'Name',
  done: 'Least done first',
  share: 'Least right first',
  last: 'Longest away first',
};

const shows: Record<Shown, (one: Student) => boolean> = {
  all: () => true,
  stuck: (one) => one.stuckOn !== null,
  ahead: (one) => one.isAhead,
  rusty: (one) => one.states.includes('rusty'),
};

// Who never welded has no share: they come last there, and first among those who are away.
const orders: Record<Sorted, (one: Student) => number | string> = {
  name: (one) => one.student.name,
  done: (one) => one.done,
  share: (one) => (one.beads === 0 ? 2 : one.right / one.beads),
  last: (one) => one.last ?? '',
};

/** The students of a course's table that are asked for, in the order asked for; where that is the same, by name. */
export function shownOf(students: Student[], shown: Shown, sorted: Sorted): Student[] {
  const of = orders[sorted];
  const compare = (one: number | string, other: number | string) =>
    typeof one === 'string' ? one.localeCompare(String(other)) : one - Number(other);
  return students
    .filter(shows[shown])
    .sort((one, other) => compare(of(one), of(other)) || one.student.name.localeCompare(other.student.name));
}
