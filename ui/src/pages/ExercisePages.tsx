import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { ExerciseEditor } from '../features/courses/ExerciseEditor';
import { ExerciseFiles } from '../features/courses/ExerciseFiles';
import css from '../features/courses/courses.module.css';
import { courseQueries } from '../features/courses/queries';
import { jobLine } from '../features/sheets/JobLine';
import { answer, api, type Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { inRoom } from '../shared/live/changes';
import { offerUndo, tellDone, tellTrouble } from '../shared/notices';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { processes, proofs } from '../shared/words';
import { courseTabs } from './CoursesPage';

/** Every exercise of the school, by process. */
export function ExercisesPage() {
  const exercises = useQuery(courseQueries.exercises());
  const [called, setCalled] = useState('');
  const sought = called.trim().toLowerCase();
  return (
    <Page title="Exercises" aside={<Tabs name="Courses" tabs={courseTabs} />}>
      <div className="stack">
        <div className="naming">
          <TextInput
            label="Find by name"
            placeholder="any part of it"
            maxLength={60}
            value={called}
            onChange={(event) => setCalled(event.currentTarget.value)}
          />
          <Button component={Link} to="/courses/exercises/new">
            New exercise
          </Button>
        </div>
        <Loaded of={asLoading(exercises)} what="the exercises">
          {(all) => {
            const found = all.filter(({ name }) => name.toLowerCase().includes(sought));
            return (
              <>
                {found.length === 0 && <p className="panel">No exercise is called that.</p>}
                {Object.entries(processes).map(([process, name]) => (
                  <ByProcess
                    key={process}
                    name={name}
                    of={found.filter(({ job }) => job.process === process)}
                  />
                ))}
              </>
            );
          }}
        </Loaded>
        <ExerciseFiles />
      </div>
    </Page>
  );
}

function ByProcess({ name, of }: { name: string; of: Schemas['ListedExercise'][] }) {
  if (of.length === 0) return null;
  return (
    <section className="panel" aria-label={name}>
      <h2>{name}</h2>
      <ul className={`plain-list ${css.list}`}>
        {of.map(({ id, name: called, job, proof, fromLibrary, retired }) => (
          <li key={id}>
            <Link to={`/courses/exercises/${id}`}>
              <b>{called}</b>
              <span className="quiet">
                {[
                  jobLine(job),
                  proofs[proof].toLowerCase(),
                  !fromLibrary && 'your own edition',
                  retired && 'taken out',
                ]
                  .filter(Boolean)
                  .join('; ')}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One exercise to change. */
export function ExercisePage() {
  const { exerciseId = '' } = useParams();
  const exercise = useQuery(courseQueries.exercise(exerciseId));
  return (
    <Loaded of={asLoading(exercise)} what="the exercise">
      {(known) => (
        <Page
          title={known.exercise.name}
          back={{ to: '/courses/exercises', label: 'Back to the exercises' }}
          aside={<Retire known={known} />}
        >
          <Editor known={known} />
        </Page>
      )}
    </Loaded>
  );
}

/** A new exercise. */
export const NewExercisePage = () => (
  <Page title="New exercise" back={{ to: '/courses/exercises', label: 'Back to the exercises' }}>
    <Editor />
  </Page>
);

function Editor({ known }: { known?: Schemas['KnownExercise'] }) {
  const exercises = useQuery(courseQueries.exercises());
  const goTo = useNavigate();
  return (
    <Loaded of={asLoading(exercises)} what="the exercises">
      {(all) => (
        <ExerciseEditor
          {...(known && { known })}
          others={all.filter(({ id }) => id !== known?.id)}
          onSaved={() => {
            tellDone('The exercise is saved.');
            void goTo('/courses/exercises');
          }}
        />
      )}
    </Loaded>
  );
}

function Retire({ known }: { known: Schemas['KnownExercise'] }) {
  const queries = useQueryClient();
  const retire = useMutation({
    mutationFn: (retired: boolean) =>
      answer(
        api.PUT('/api/exercises/{id}/retired', { params: { path: { id: known.id } }, body: { retired } }),
      ),
    onSuccess: async (_, retired) => {
      if (retired)
        offerUndo(`retired-${known.id}`, `${known.exercise.name} is taken out.`, () => retire.mutate(false));
      await queries.invalidateQueries({ queryKey: inRoom('exercises') });
    },
    onError: tellTrouble,
  });
  return (
    <Button variant="default" loading={retire.isPending} onClick={() => retire.mutate(!known.retired)}>
      {known.retired ? 'Take in again' : 'Take out'}
    </Button>
  );
}
