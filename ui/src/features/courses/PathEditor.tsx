import { Button, Select } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { processes } from '../../shared/words';
import { useLine, useSay } from '../../shared/words/useSay';
import css from './path.module.css';
import { PathGraph } from './PathGraph';
import { courseQueries } from './queries';

/** A step as it is being changed; what comes before it as the exercises say, until somebody changes that here. */
interface Step {
  exerciseId: string;
  before: string[] | null;
}

/** The path of a course: drawn, and changed step by step. */
export function PathEditor({ course }: { course: Schemas['Course'] }) {
  const path = useQuery(courseQueries.path(course.id));
  const exercises = useQuery(courseQueries.exercises());
  return (
    <Loaded of={asLoading(path)} what="the path">
      {(shown) => (
        <Loaded of={asLoading(exercises)} what="the exercises">
          {(all) => <Path key={shown.edition} course={course} shown={shown} all={all} />}
        </Loaded>
      )}
    </Loaded>
  );
}

function Path(props: {
  course: Schemas['Course'];
  shown: Schemas['ShownPath'];
  all: Schemas['ListedExercise'][];
}) {
  const { course, shown, all } = props;
  const save = useSave(course.id, shown.edition);
  const wrong = useLine(save.error);
  const steps: Step[] = shown.steps.map(({ exerciseId, before }) => ({ exerciseId, before }));
  return (
    <div className="stack">
      {shown.steps.length > 0 && (
        <section className="panel" aria-label="Path">
          <PathGraph steps={shown.steps} />
        </section>
      )}
      {save.isError && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      <div className="two-columns even">
        <Steps course={course} shown={shown} onSave={(next) => save.mutate(next)} />
        <AddSteps
          all={all.filter(
            ({ id, retired }) => !retired && !steps.some(({ exerciseId }) => exerciseId === id),
          )}
          pending={save.isPending}
          onAdd={(ids) => save.mutate([...steps, ...ids.map((exerciseId) => ({ exerciseId, before: null }))])}
        />
      </div>
    </div>
  );
}

function AddSteps(props: {
  all: Schemas['ListedExercise'][];
  pending: boolean;
  onAdd: (ids: string[]) => void;
}) {
  const { all } = props;
  const byProcess = Object.entries(processes).map(([process, label]) => ({
    label,
    ids: all.filter(({ job }) => job.process === process).map(({ id }) => id),
  }));
  return (
    <section className="panel stack" aria-label="Add to the path">
      <h2>Add exercises</h2>
      <Select
        label="One of them"
        placeholder="Type a part of its name"
        searchable
        value={null}
        disabled={props.pending}
        data={all.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={(id) => id && props.onAdd([id])}
      />
      <p className="quiet">Or all that are left of a process, in the order they are taught:</p>
      <div className="row">
        {byProcess
          .filter(({ ids }) => ids.length > 0)
          .map(({ label, ids }) => (
            <Button key={label} variant="default" disabled={props.pending} onClick={() => props.onAdd(ids)}>
              {label} ({ids.length})
            </Button>
          ))}
      </div>
    </section>
  );
}

function Steps(props: {
  course: Schemas['Course'];
  shown: Schemas['ShownPath'];
  onSave: (steps: Step[]) => void;
}) {
  const { shown, onSave } = props;
  const say = useSay();
  const names = new Map(shown.steps.map(({ exerciseId, name }) => [exerciseId, name]));
  const change = (exerciseId: string, before: string[]) =>
    onSave(shown.steps.map((step) => (step.exerciseId === exerciseId ? { exerciseId, before } : step)));
  // What is taken out hands on what came before it.
  const takeOut = (gone: Schemas['ShownStep']) =>
    onSave(
      shown.steps
        .filter(({ exerciseId }) => exerciseId !== gone.exerciseId)
        .map(({ exerciseId, before }) => ({
          exerciseId,
          before: before.includes(gone.exerciseId)
            ? [...new Set([...before.filter((id) => id !== gone.exerciseId), ...gone.before])]
            : before,
        })),
    );
  return (
    <section className="panel stack" aria-label="Steps">
      <h2>{shown.steps.length === 0 ? 'No exercise on it yet' : `${shown.steps.length} exercises`}</h2>
      <ol className={`plain-list ${css.steps}`}>
        {shown.steps.map((step) => (
          <li key={step.exerciseId} aria-label={step.name}>
            <div>
              <b>{step.name}</b>
              <p className="quiet">{say(step.doneWhen)}</p>
            </div>
            <Button variant="default" aria-label={`Take out ${step.name}`} onClick={() => takeOut(step)}>
              Take out
            </Button>
            <div className={css.before}>
              <Before step={step} names={names} onChange={(before) => change(step.exerciseId, before)} />
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Before(props: {
  step: Schemas['ShownStep'];
  names: Map<string, string>;
  onChange: (before: string[]) => void;
}) {
  const { step, names, onChange } = props;
  const [adding, setAdding] = useState(false);
  const others = [...names].filter(([id]) => id !== step.exerciseId && !step.before.includes(id));
  return (
    <div className="row">
      <span className="quiet">{step.before.length === 0 ? 'Nothing before it' : 'After'}</span>
      {step.before.map((id) => (
        <Button
          key={id}
          variant="default"
          aria-label={`${step.name}: no longer after ${names.get(id)}`}
          onClick={() => onChange(step.before.filter((one) => one !== id))}
        >
          {names.get(id)} ×
        </Button>
      ))}
      {adding ? (
        <Select
          aria-label={`What comes before ${step.name}`}
          searchable
          autoFocus
          defaultDropdownOpened
          placeholder="Which?"
          value={null}
          data={others.map(([value, label]) => ({ value, label }))}
          onChange={(id) => id && onChange([...step.before, id])}
          onDropdownClose={() => setAdding(false)}
        />
      ) : (
        others.length > 0 && (
          <Button
            variant="default"
            aria-label={`${step.name}: after another`}
            onClick={() => setAdding(true)}
          >
            + after
          </Button>
        )
      )}
    </div>
  );
}

function useSave(courseId: string, edition: number) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  return useMutation({
    mutationFn: (steps: Step[]) =>
      answer(
        api.PUT('/api/courses/{id}/path', {
          params: { path: { id: courseId } },
          body: { id: idOf([edition, steps]), edition, steps },
        }),
      ),
    onSuccess: async () => {
      taken();
      tellDone('The path is changed.');
      await queries.invalidateQueries({ queryKey: inRoom('courses') });
    },
  });
}
