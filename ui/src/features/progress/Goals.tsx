import { Button, TextInput } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { day, today } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { useIds } from '../../shared/useIds';
import css from './progress.module.css';
import { progressQueries } from './queries';

/** What a student and their instructors set out to do. */
export function Goals({ studentId, may }: { studentId: string; may: boolean }) {
  const goals = useQuery(progressQueries.goals(studentId));
  return (
    <section className="panel stack" aria-label="Goals">
      <h2>Goals</h2>
      <Loaded of={asLoading(goals)} what="the goals">
        {(all) => (
          <>
            {all.length === 0 && <p className="quiet">No goal is set yet.</p>}
            <ul className="plain-list stack">
              {all.map((goal) => (
                <OneGoal key={goal.id} studentId={studentId} goal={goal} may={may} />
              ))}
            </ul>
          </>
        )}
      </Loaded>
      {may && <SetGoal studentId={studentId} />}
    </section>
  );
}

function OneGoal({ studentId, goal, may }: { studentId: string; goal: Schemas['Goal']; may: boolean }) {
  const queries = useQueryClient();
  const ids = useIds();
  const end = useMutation({
    mutationFn: (reached: boolean) =>
      answer(
        api.PUT('/api/students/{id}/goals/{goalId}/end', {
          params: { path: { id: studentId, goalId: goal.id } },
          body: { id: ids.idOf(reached), reached },
        }),
      ),
    onSettled: () => queries.invalidateQueries({ queryKey: inRoom('progress', studentId, 'goals') }),
  });
  const late = goal.until !== null && goal.until < today();
  return (
    <li aria-label={goal.text}>
      {goal.text}
      <p className="quiet">
        {goal.until && `by ${day(goal.until)}${late && !goal.end ? ', which is past' : ''}; `}
        set by {goal.by}, {day(goal.at)}
        {goal.end && `; ${goal.end.reached ? 'reached' : 'given up'} ${day(goal.end.at)}`}
      </p>
      {may && !goal.end && (
        <div className="row">
          <Button variant="default" loading={end.isPending} onClick={() => end.mutate(true)}>
            Reached
          </Button>
          <Button variant="subtle" disabled={end.isPending} onClick={() => end.mutate(false)}>
            Give up
          </Button>
        </div>
      )}
      {end.isError && <Trouble error={end.error} />}
    </li>
  );
}

function SetGoal({ studentId }: { studentId: string }) {
  const { form, pending, submit, trouble } = useEntry({ text: '', until: '' }, ({ text, until }, goalId) =>
    answer(
      api.PUT('/api/students/{id}/goals/{goalId}', {
        params: { path: { id: studentId, goalId } },
        body: { text, until: until || null },
      }),
    ),
  );
  return (
    <form className={css.entry} aria-label="Set a goal" onSubmit={submit}>
      <TextInput label="Goal" maxLength={200} {...form.getInputProps('text')} />
      <TextInput label="By" type="date" {...form.getInputProps('until')} />
      <Button type="submit" loading={pending}>
        Set it
      </Button>
      {trouble && <Trouble error={trouble} />}
    </form>
  );
}
