import { Button, Table } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { dayWithYear } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import css from './keeping.module.css';
import { keepingQueries } from './queries';

/** What becomes of a part when somebody is forgotten. */
export const fates: Record<Schemas['Fate'], string> = {
  stays: 'stays, without the name',
  renamed: 'becomes the pseudonym',
  struck: 'words struck out',
  goes: 'goes',
};

/** All that is kept of a student: part by part, and as one file. */
export function HeldRecord({ studentId, may }: { studentId: string; may: boolean }) {
  const held = useQuery(keepingQueries.held(studentId));
  return (
    <section className="panel stack" aria-label="What is kept">
      <h2>What is kept</h2>
      <Loaded of={asLoading(held)} what="what is kept">
        {({ parts, forgottenAt }) => (
          <>
            {forgottenAt && <p>Forgotten on {dayWithYear(forgottenAt)}. What is left names nobody.</p>}
            <p className="quiet">
              All of it as one file: every entry as it stands in the database, with pictures and recordings.
              {may
                ? ' A remark that somebody keeps to themselves is in theirs alone.'
                : ' Notes that instructors keep among themselves are not in it: ask them.'}
            </p>
            <div className="row">
              <Button component="a" href={`/api/students/${studentId}/record.zip`} variant="default" download>
                Take the whole record (ZIP)
              </Button>
              {may && !forgottenAt && (
                <Button component={Link} to={`/students/${studentId}/forget`} variant="default">
                  Forget this student …
                </Button>
              )}
            </div>
            <HeldTable parts={parts} />
          </>
        )}
      </Loaded>
    </section>
  );
}

/** Part by part: what, how many, since when; and what becomes of it, where that is asked. */
export function HeldTable({ parts, withFate }: { parts: Schemas['Held'][]; withFate?: boolean }) {
  const say = useSay();
  return (
    <Table.ScrollContainer minWidth={0}>
      <Table className={css.held} aria-label="What is kept, part by part">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>What</Table.Th>
            <Table.Th className={css.number}>Entries</Table.Th>
            <Table.Th>{withFate ? 'When forgotten' : 'From, until'}</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {parts.map(({ key, name, count, from, until, fate }) => (
            <Table.Tr key={key}>
              <Table.Td>{say(name)}</Table.Td>
              <Table.Td className={css.number}>{count}</Table.Td>
              <Table.Td>{withFate ? fates[fate] : span(from, until)}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </Table.ScrollContainer>
  );
}

const span = (from: string | null, until: string | null) => {
  if (from === null || until === null) return '';
  const [first, last] = [dayWithYear(from), dayWithYear(until)];
  return first === last ? first : `${first} to ${last}`;
};
