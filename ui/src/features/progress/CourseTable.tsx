import { Select } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { dayOfMonth } from '../../shared/time';
import { useSay } from '../../shared/words/useSay';
import { shownOf, type Shown, type Sorted, shownWords, sortedWords } from './courseRows';
import css from './courseTable.module.css';
import { skillStates, StateMark } from './StateMark';

const choices = <T extends string>(words: Record<T, string>) =>
  (Object.keys(words) as T[]).map((value) => ({ value, label: words[value] }));

/** Students down, exercises across: where everybody stands, who is stuck and who is far ahead. */
export function CourseTable({ progress }: { progress: Schemas['CourseProgress'] }) {
  const [shown, setShown] = useState<Shown>('all');
  const [sorted, setSorted] = useState<Sorted>('name');
  const students = shownOf(progress.students, shown, sorted);
  return (
    <section className="panel stack" aria-label="Students by exercises">
      <div className="row">
        <Select
          label="Show"
          data={choices(shownWords)}
          value={shown}
          allowDeselect={false}
          onChange={(value) => setShown(value as Shown)}
        />
        <Select
          label="In the order of"
          data={choices(sortedWords)}
          value={sorted}
          allowDeselect={false}
          onChange={(value) => setSorted(value as Sorted)}
        />
      </div>
      {students.length === 0 ? (
        <p className="quiet">Nobody, this evening.</p>
      ) : (
        <div className={css.scroll}>
          <table className={css.table}>
            <thead>
              <tr>
                <th scope="col">Student</th>
                <th scope="col">Done</th>
                <th scope="col">Last</th>
                {progress.exercises.map(({ id, name }) => (
                  <th key={id} scope="col" className={css.exercise}>
                    <Link to={`/courses/exercises/${id}`}>{name}</Link>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {students.map((one) => (
                <StudentRow key={one.student.id} of={one} exercises={progress.exercises} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className={`row quiet ${css.legend}`}>
        {(Object.keys(skillStates) as Schemas['SkillState'][]).map((state) => (
          <StateMark key={state} state={state} />
        ))}
      </p>
    </section>
  );
}

function StudentRow(props: { of: Schemas['CourseStudent']; exercises: Schemas['CourseExercise'][] }) {
  const say = useSay();
  const { student, states, done, stuckOn, isAhead, beads, right, last } = props.of;
  return (
    <tr>
      <th scope="row">
        <Link to={`/students/${student.id}/progress`}>{student.name}</Link>
        {stuckOn && <p className={css.stuck}>Stuck three evenings: {say(stuckOn)}</p>}
        {isAhead && <p className={css.ahead}>Far ahead: give them more</p>}
      </th>
      <td>
        {done} of {states.length}
      </td>
      <td>
        {last ? dayOfMonth(last) : 'never'}
        {beads > 0 && (
          <p className="quiet">
            {right} of {beads} right
          </p>
        )}
      </td>
      {states.map((state, at) => (
        <td
          key={props.exercises[at]?.id}
          className={css.mark}
          title={`${props.exercises[at]?.name}: ${skillStates[state].toLowerCase()}`}
        >
          <StateMark state={state} bare />
        </td>
      ))}
    </tr>
  );
}

/** What a course finds hard, and on which machines it goes wrong. */
export function CourseTroubles({ progress }: { progress: Schemas['CourseProgress'] }) {
  const hard = progress.exercises.filter((one) => one.isHard);
  const machines = progress.machines.filter((one) => one.beads > 0);
  return (
    <>
      <section className="panel stack" aria-label="What the course finds hard">
        <h2>What the course finds hard</h2>
        {hard.length === 0 && <p className="quiet">No exercise stands out from the others.</p>}
        <ul className="plain-list stack">
          {hard.map(({ id, name, beads, right, begun, done }) => (
            <li key={id}>
              <Link to={`/courses/exercises/${id}`}>{name}</Link>
              <p className="quiet">
                {right} of {beads} beads right; {begun} at it, {done} done
              </p>
            </li>
          ))}
        </ul>
      </section>
      <section className="panel stack" aria-label="Machines">
        <h2>Machines</h2>
        <div className={css.scroll}>
          <table className={css.machines}>
            <thead>
              <tr>
                <th scope="col">Machine</th>
                <th scope="col">Right</th>
                <th scope="col">The same people elsewhere</th>
              </tr>
            </thead>
            <tbody>
              {machines.map(({ id, name, beads, right, expected, failsPeople }) => (
                <tr key={id}>
                  <th scope="row">
                    <Link to={`/machines/${id}`}>{name}</Link>
                    {failsPeople && <p className={css.stuck}>Goes wrong more than elsewhere: look at it</p>}
                  </th>
                  <td>
                    {right} of {beads}
                  </td>
                  <td>
                    {Math.round(expected)} of {beads}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
    </>
  );
}
