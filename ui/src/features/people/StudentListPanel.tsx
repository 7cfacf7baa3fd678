import { Button, Checkbox, FileButton, TextInput } from '@mantine/core';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Refused, type Schemas } from '../../shared/api/client';
import { postFile } from '../../shared/postFile';
import { useLine, useSay } from '../../shared/words/useSay';
import css from './studentList.module.css';
import { type Chosen, chosenFrom, type Line, linesOf, withProblems } from './studentLines';

/** Reads a list of students, and asks line by line what is to be made of it; nothing is made yet. */
export function StudentListPanel(props: { pending: boolean; onTake: (chosen: Chosen) => Promise<unknown> }) {
  const [lines, setLines] = useState<Line[] | null>(null);
  const reading = useMutation({
    mutationFn: (file: Blob) => postFile<Schemas['StudentLine'][]>('/api/people/student-lists/read', file),
    onSuccess: (read) => setLines(linesOf(read)),
  });
  const wrong = useLine(reading.error);
  return (
    <section className="panel stack" aria-label="A list">
      <p>
        A file with a line for each student, the columns in any order: <b>name</b>, or <b>first name</b> and{' '}
        <b>last name</b>; <b>login</b> where you have one. Commas, semicolons or tabs between them.
      </p>
      <div className="row">
        <FileButton
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          onChange={(file) => file && reading.mutate(file)}
        >
          {(key) => (
            <Button variant={lines ? 'default' : 'filled'} loading={reading.isPending} {...key}>
              {lines ? 'Read another file' : 'Read a file'}
            </Button>
          )}
        </FileButton>
      </div>
      {reading.isError && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {lines && (
        <Lines
          key={lines[0]?.id}
          lines={lines}
          onChange={setLines}
          pending={props.pending}
          onTake={() =>
            void props.onTake(chosenFrom(lines)).catch((refused: unknown) => {
              if (refused instanceof Refused) setLines(withProblems(lines, refused.problems));
            })
          }
        />
      )}
    </section>
  );
}

function Lines(props: {
  lines: Line[];
  onChange: (lines: Line[]) => void;
  pending: boolean;
  onTake: () => void;
}) {
  const { lines } = props;
  const { made, here } = chosenFrom(lines);
  const change = (line: Line) => props.onChange(lines.map((one) => (one.id === line.id ? line : one)));
  const stuck = lines.filter(({ take, problems }) => take === 'new' && problems.length > 0).length;
  return (
    <>
      <div className="scroll-x">
        <table className={css.lines}>
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">Name</th>
              <th scope="col">Login</th>
              <th scope="col">Take</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <LineRow key={line.id} line={line} onChange={change} />
            ))}
          </tbody>
        </table>
      </div>
      {stuck > 0 && (
        <p className="field-error" role="alert">
          {stuck === 1 ? 'One line is' : `${stuck} lines are`} not right yet: put it right, or leave it out.
        </p>
      )}
      <Button
        size="lg"
        loading={props.pending}
        disabled={stuck > 0 || made.length + here.length === 0}
        onClick={props.onTake}
      >
        {made.length > 0
          ? `Make ${made.length} ${made.length === 1 ? 'account' : 'accounts'}`
          : 'Take those who are here'}
      </Button>
    </>
  );
}

function LineRow({ line, onChange }: { line: Line; onChange: (line: Line) => void }) {
  const say = useSay();
  const problem = (field: string) =>
    line.take === 'new'
      ? line.problems
          .filter((one) => one.field === field)
          .map(({ said }) => say(said))
          .join(' ')
      : '';
  const typed = (field: 'name' | 'login') => (text: string) =>
    // What was wrong with the old words may not be wrong with the new ones: the server looks again.
    onChange({ ...line, [field]: text, problems: line.problems.filter((one) => one.field !== field) });
  const twin = line.alike[0];
  return (
    <tr>
      <td>{line.line}</td>
      <td>
        <TextInput
          aria-label={`Name, line ${line.line}`}
          value={line.name}
          disabled={line.take !== 'new'}
          error={problem('name')}
          onChange={(event) => typed('name')(event.currentTarget.value)}
        />
        {line.alikeLine !== null && (
          <p className={css.flag}>The same name stands in line {line.alikeLine}.</p>
        )}
        {twin && <p className={css.flag}>{twin.name} has an account here.</p>}
      </td>
      <td>
        <TextInput
          aria-label={`Login, line ${line.line}`}
          value={line.login}
          disabled={line.take !== 'new'}
          error={problem('login')}
          onChange={(event) => typed('login')(event.currentTarget.value)}
        />
      </td>
      <td>
        <Checkbox
          label="New account"
          checked={line.take === 'new'}
          onChange={(event) => onChange({ ...line, take: event.currentTarget.checked ? 'new' : 'no' })}
        />
        {twin && (
          <Checkbox
            label="The one who is here"
            checked={line.take === 'here'}
            onChange={(event) => onChange({ ...line, take: event.currentTarget.checked ? 'here' : 'no' })}
          />
        )}
      </td>
    </tr>
  );
}
