import { Button } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { fieldsOf, useSay } from '../../shared/words/useSay';
import { JobForm } from '../sheets/JobForm';
import { jobLine } from '../sheets/JobLine';
import { sheetQueries } from '../sheets/queries';
import { SheetView } from '../sheets/SheetView';
import { type Draft, draftOf, emptyDraft, emptyJob, type Job, jobOf } from './exerciseDraft';
import { ExerciseFields } from './ExerciseFields';

/** An exercise, new or to be changed, and beside it the sheet its job comes to away from any machine. */
export function ExerciseEditor(props: {
  known?: Schemas['KnownExercise'];
  others: Schemas['ListedExercise'][];
  onSaved: (id: string) => void;
}) {
  const { known } = props;
  const [job, setJob] = useState<Job>(() => (known ? jobOf(known) : emptyJob()));
  const form = useForm<Draft>({ initialValues: known ? draftOf(known) : emptyDraft() });
  const typed = (job.thickness ?? '').trim() !== '';
  const computed = useQuery({ ...sheetQueries.atNoBooth(job), enabled: typed });
  const refused = computed.error instanceof Refused ? computed.error : null;
  const sheet = typed && !refused ? computed.data : undefined;
  const save = useSave(form, known, job, props.onSaved);
  return (
    <div className="two-columns even">
      <form
        className="panel stack"
        aria-label="Exercise"
        onSubmit={form.onSubmit((values) => save.mutate(values))}
      >
        <ExerciseFields form={form} others={props.others} />
        {save.isError && Object.keys(form.errors).length === 0 && <Trouble error={save.error} />}
        <Button type="submit" size="lg" loading={save.isPending}>
          {known ? 'Save' : 'Make the exercise'}
        </Button>
      </form>
      <div className="stack">
        <section className="panel stack" aria-label="Job">
          <JobForm
            job={job}
            set={(change) => setJob((before) => ({ ...before, ...change }))}
            sheet={sheet}
            refused={refused}
            onPick={setJob}
          />
        </section>
        {sheet && (
          <section className="panel" aria-label="Settings sheet">
            <h2>
              {jobLine(sheet.job)} <span className="quiet">{sheet.positionName}</span>
            </h2>
            <SheetView sheet={sheet} machine={null} />
          </section>
        )}
      </div>
    </div>
  );
}

function useSave(
  form: ReturnType<typeof useForm<Draft>>,
  known: Schemas['KnownExercise'] | undefined,
  job: Job,
  onSaved: (id: string) => void,
) {
  const queries = useQueryClient();
  const speak = useSay();
  const [id] = useState(() => known?.id ?? newId());
  return useMutation({
    mutationFn: (values: Draft) =>
      answer(
        api.PUT('/api/exercises/{id}', {
          params: { path: { id } },
          body: { ...values, job, editionId: newId(), edition: known?.edition ?? 0 },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: inRoom() });
      onSaved(id);
    },
    onError: (refused) =>
      form.setErrors(
        Object.fromEntries(
          Object.entries(fieldsOf(refused, speak))
            .filter(([field]) => !field.startsWith('job.'))
            .map(([field, said]) => [field.replace(/\[(\d+)\]/g, '.$1'), said]),
        ),
      ),
  });
}
