import { Button, NumberInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useDebouncedValue } from '@mantine/hooks';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { tellDone } from '../../shared/notices';
import { dayWithYear } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { counted } from '../../shared/words';
import { formFieldsOf, useSay } from '../../shared/words/useSay';
import css from './keeping.module.css';
import { keepingQueries, type Terms } from './queries';

type Typed = Record<keyof Terms, number | ''>;

const fields = [
  ['pictureMonths', 'Pictures', 'What shows a test weld stays as long as the test.'],
  ['soundMonths', 'Recordings and logs of the arc', 'One that is named for the practice room stays.'],
  ['noteMonths', 'Notes and remarks of instructors', 'Their words are struck out.'],
  [
    'recordMonths',
    'Records under a name',
    'Since they were last here. You are told who; nobody is forgotten without you.',
  ],
] as const;

const longest = 600;
const asTyped = (terms: Terms) =>
  Object.fromEntries(fields.map(([field]) => [field, terms[field] ?? ''])) as Typed;
const asTerms = (typed: Typed) =>
  Object.fromEntries(
    fields.map(([field]) => [field, typed[field] === '' ? null : typed[field]]),
  ) as unknown as Terms;

/** How long the school keeps what it keeps. */
export function KeepingForm() {
  const terms = useQuery(keepingQueries.terms());
  return (
    <Loaded of={asLoading(terms)} what="how long what is kept">
      {(now) => <TermsForm key={now.edition} now={now} />}
    </Loaded>
  );
}

function TermsForm({ now }: { now: Schemas['KeepingEdition'] }) {
  const say = useSay();
  const { idOf, taken } = useIds();
  const queries = useQueryClient();
  const form = useForm({ initialValues: { terms: asTyped(now.terms) } });
  const save = useMutation({
    mutationFn: (terms: Terms) =>
      answer(
        api.PUT('/api/keeping', { body: { id: idOf([now.edition, terms]), edition: now.edition, terms } }),
      ),
    onSuccess: async () => {
      taken();
      tellDone('Kept by these terms from now on.');
      await queries.invalidateQueries({ queryKey: keepingQueries.terms().queryKey });
    },
    onError: (error) => form.setErrors(formFieldsOf(error, say)),
  });
  return (
    <>
      <form
        className="panel stack"
        aria-label="How long"
        onSubmit={form.onSubmit((values) => save.mutate(asTerms(values.terms)))}
      >
        <h2>How long what is kept</h2>
        <p className="quiet">
          In months; left empty, it is kept until somebody says otherwise.
          {now.madeBy && now.madeAt && ` Set by ${now.madeBy}, ${dayWithYear(now.madeAt)}.`}
        </p>
        <div className={css.terms}>
          {fields.map(([field, label, help]) => (
            <NumberInput
              key={field}
              label={label}
              description={help}
              suffix=" months"
              min={1}
              max={longest}
              clampBehavior="none"
              allowDecimal={false}
              inputWrapperOrder={['label', 'input', 'description', 'error']}
              {...form.getInputProps(`terms.${field}`)}
            />
          ))}
        </div>
        {save.isError && Object.keys(form.errors).length === 0 && <Trouble error={save.error} />}
        <div className="row">
          <Button type="submit" loading={save.isPending} disabled={!form.isDirty()}>
            Keep by these
          </Button>
        </div>
      </form>
      <Coming terms={asTerms(form.values.terms)} changed={form.isDirty()} />
    </>
  );
}

/** What the terms on the screen come to, before they are set. */
function Coming({ terms, changed }: { terms: Terms; changed: boolean }) {
  const [asked] = useDebouncedValue(JSON.stringify(terms), 400);
  const come = useQuery({
    ...keepingQueries.due(JSON.parse(asked) as Terms),
    placeholderData: keepPreviousData,
  });
  return (
    <section className="panel stack" aria-label="What that comes to">
      <h2>{changed ? 'What that would come to' : 'What that comes to'}</h2>
      <Loaded of={asLoading(come)} what="what that comes to">
        {({ due, longGone }) => (
          <>
            <p>
              {past(due)} {due.pictures + due.recordings + due.notes > 0 && when(changed)} What was measured
              and said stays either way.
            </p>
            <h3>Last here long ago</h3>
            {due.people === 0 && <p className="quiet">Nobody.</p>}
            {due.people > longGone.length && <p>{due.people} students; these are gone longest:</p>}
            <ul className="plain-list stack">
              {longGone.map(({ student, lastHere }) => (
                <li key={student.id}>
                  <Link to={`/students/${student.id}/record`}>{student.name}</Link>{' '}
                  <span className="quiet">last here {dayWithYear(lastHere)}</span>
                </li>
              ))}
            </ul>
          </>
        )}
      </Loaded>
    </section>
  );
}

const when = (changed: boolean) =>
  changed ? 'They would go within an hour of being set.' : 'They go within the hour.';

function past(due: Schemas['KeepingDue']) {
  if (due.pictures + due.recordings + due.notes === 0) return 'Nothing is past its time.';
  const pictures = `${counted(due.pictures, 'picture')} (${megabytes(due.pictureBytes)})`;
  const recordings = `${counted(due.recordings, 'recording')} (${megabytes(due.recordingBytes)})`;
  return `Past their time: ${pictures}, ${recordings}, ${counted(due.notes, 'note')}.`;
}

const megabytes = (bytes: number) => `${(bytes / 1_000_000).toFixed(1)} MB`;
