import { Button, Select, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { day } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { useStudents } from '../people/useStudents';
import css from './courses.module.css';
import { courseQueries } from './queries';

/** Who is on a course, from when to when, and how often they came. */
export function RosterPanel({ course }: { course: Schemas['Course'] }) {
  const roster = useQuery(courseQueries.roster(course.id));
  return (
    <section className="panel stack" aria-label="Roster">
      <h2>Roster</h2>
      <AddStudent course={course} />
      <Loaded of={asLoading(roster)} what="the roster">
        {(all) => (
          <>
            {all.length === 0 && <p className="quiet">Nobody is on it yet.</p>}
            <ul className="plain-list">
              {all.map((one) => (
                <Enrolled key={`${one.id} ${one.version}`} course={course} of={one} />
              ))}
            </ul>
          </>
        )}
      </Loaded>
      <div className="row">
        <Button component={Link} to={`/students/list?course=${course.id}`} variant="default">
          Add students from a list
        </Button>
      </div>
    </section>
  );
}

function AddStudent({ course }: { course: Schemas['Course'] }) {
  const queries = useQueryClient();
  const [sought, setSought] = useState('');
  const found = useStudents(sought);
  const add = useMutation({
    mutationFn: (studentId: string) =>
      answer(
        api.PUT('/api/courses/{id}/roster', {
          params: { path: { id: course.id } },
          body: { students: [{ id: newId(), studentId, firstDay: null }] },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom() }),
  });
  return (
    <>
      <Select
        label="Put a student on it"
        placeholder="Type a name"
        searchable
        searchValue={sought}
        onSearchChange={setSought}
        nothingFoundMessage={sought ? 'No student by that name' : 'Type a name to find a student'}
        data={found.map(({ id, name }) => ({ value: id, label: name }))}
        value={null}
        onChange={(id) => {
          if (!id) return;
          add.mutate(id);
          setSought('');
        }}
      />
      {add.isError && <Trouble error={add.error} />}
    </>
  );
}

function Enrolled({ course, of }: { course: Schemas['Course']; of: Schemas['Enrolment'] }) {
  const [changing, setChanging] = useState(false);
  const { student, firstDay, lastDay, came, missed } = of;
  return (
    <li className={css.enrolled} aria-label={student.name}>
      <div>
        <Link to={`/students/${student.id}`}>{student.name}</Link>
        <p className="quiet">
          {[
            (firstDay !== course.firstDay || lastDay) &&
              (lastDay ? `${day(firstDay)} to ${day(lastDay)}` : `from ${day(firstDay)}`),
            came + missed > 0 && `came ${came} of ${came + missed} times`,
          ]
            .filter(Boolean)
            .join('; ')}
        </p>
      </div>
      {changing ? (
        <DaysForm course={course} of={of} onDone={() => setChanging(false)} />
      ) : (
        <Button variant="default" aria-label={`Dates of ${student.name}`} onClick={() => setChanging(true)}>
          Dates
        </Button>
      )}
    </li>
  );
}

function DaysForm(props: { course: Schemas['Course']; of: Schemas['Enrolment']; onDone: () => void }) {
  const { course, of, onDone } = props;
  const { form, pending, submit, trouble } = useEntry(
    { firstDay: of.firstDay, lastDay: of.lastDay ?? '' },
    ({ firstDay, lastDay }) =>
      answer(
        api.PUT('/api/courses/{id}/roster/{enrolmentId}/days', {
          params: { path: { id: course.id, enrolmentId: of.id } },
          body: { firstDay, lastDay: lastDay || null, version: of.version },
        }),
      ),
    onDone,
  );
  return (
    <form className="naming" aria-label={`Dates of ${of.student.name}`} onSubmit={submit}>
      <TextInput type="date" label="From" {...form.getInputProps('firstDay')} />
      <TextInput type="date" label="To, where they leave" {...form.getInputProps('lastDay')} />
      <Button type="submit" loading={pending}>
        Save
      </Button>
      <Button variant="default" onClick={onDone}>
        Back
      </Button>
      {trouble && <Trouble error={trouble} />}
    </form>
  );
}
