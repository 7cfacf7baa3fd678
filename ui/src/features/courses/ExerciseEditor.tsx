import { Button } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { useIds } from '../../shared/useIds';
import { Trouble } from '../../shared/Trouble';
import { formFieldsOf, useSay } from '../../shared/words/useSay';
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
  // As it was opened: what somebody else changes meanwhile takes nothing that is typed here, and is told when this is saved.
  const [known] = useState(props.known);
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
  const { idOf, taken } = useIds();
  return useMutation({
    mutationFn: (values: Draft) =>
      answer(
        api.PUT('/api/exercises/{id}', {
          params: { path: { id } },
          body: { ...values, job, editionId: idOf([values, job]), edition: known?.edition ?? 0 },
        }),
      ),
    onSuccess: async () => {
      taken();
      await queries.invalidateQueries({ queryKey: inRoom() });
      onSaved(id);
    },
    onError: (refused) => {
      // What is wrong with the job stands at the job's own fields.
      const own = Object.entries(formFieldsOf(refused, speak)).filter(([field]) => !field.startsWith('job.'));
      form.setErrors(Object.fromEntries(own));
    },
  });
}
