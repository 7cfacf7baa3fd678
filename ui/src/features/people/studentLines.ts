import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';

/** A line of a list, and what is to be made of it: a new account, the one of that name that is here, or nothing. */
export type Line = Schemas['StudentLine'] & {
  id: string;
  take: 'new' | 'here' | 'no';
};

/** Whom a list comes to: accounts to make, and students who are here already. */
export interface Chosen {
  made: Schemas['ListedStudent'][];
  here: string[];
}

/** The lines of a list as they are first shown: who is here is taken for the same, a name twice in the list is asked about. */
export const linesOf = (read: Schemas['StudentLine'][]): Line[] =>
  read.map((line) => ({
    ...line,
    id: newId(),
    take: line.alike.length > 0 ? 'here' : line.alikeLine !== null ? 'no' : 'new',
  }));

/** What the lines come to as they stand. */
export const chosenFrom = (lines: Line[]): Chosen => ({
  made: lines
    .filter(({ take }) => take === 'new')
    .map(({ id, name, login }) => ({ id, name: name.trim(), login: login.trim() })),
  here: [...new Set(lines.flatMap(({ take, alike }) => (take === 'here' && alike[0] ? [alike[0].id] : [])))],
});

/** The lines with what was refused of them: a problem of the third account made is one of the third line that makes one. */
export function withProblems(lines: Line[], problems: Schemas['Problem'][]): Line[] {
  const making = lines.filter(({ take }) => take === 'new');
  return lines.map((line) => {
    const at = `students[${making.indexOf(line)}].`;
    const own = problems.filter(({ field }) => field.startsWith(at));
    return own.length === 0
      ? line
      : { ...line, problems: own.map(({ field, said }) => ({ field: field.slice(at.length), said })) };
  });
}
