import { Button, Checkbox, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { dayWithYear } from '../../shared/time';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { counted } from '../../shared/words';
import { fieldsOf, useSay } from '../../shared/words/useSay';
import { HeldTable } from './HeldRecord';
import { keepingQueries } from './queries';

type Preview = Schemas['ForgettingPreview'];

/** Forgets a student: what it would do first, then done, then what was done. */
export function Forgetting({ studentId }: { studentId: string }) {
  const preview = useQuery({ ...keepingQueries.forgetting(studentId), refetchOnWindowFocus: false });
  return (
    <Loaded of={asLoading(preview)} what="what forgetting would do">
      {(data) => <Forget studentId={studentId} preview={data} />}
    </Loaded>
  );
}

function Forget({ studentId, preview }: { studentId: string; preview: Preview }) {
  const { idOf } = useIds();
  const say = useSay();
  const queries = useQueryClient();
  const form = useForm({ initialValues: { name: '', spared: [] as string[] } });
  const forget = useMutation({
    mutationFn: (body: Schemas['Forget']) =>
      answer(
        api.PUT('/api/students/{id}/forgetting/{forgettingId}', {
          params: { path: { id: studentId, forgettingId: idOf(body.spared) } },
          body,
        }),
      ),
    onError: (error) => form.setErrors(fieldsOf(error, say)),
    // Every screen that names them is out of date; this one goes on showing what was done.
    onSuccess: () =>
      queries.invalidateQueries({
        queryKey: ['room'],
        predicate: ({ queryKey }) => !queryKey.includes('forgetting'),
      }),
  });
  if (forget.data) return <Done of={forget.data} preview={preview} studentId={studentId} />;
  return (
    <form className="stack" aria-label="Forget" onSubmit={form.onSubmit((values) => forget.mutate(values))}>
      <section className="panel stack" aria-label="What forgetting does">
        <h2>What forgetting does</h2>
        <p>
          {preview.student.name} becomes <b>{preview.pseudonym}</b>, here and in every list. Pictures,
          recordings and the words about them go for good; nobody can bring them back. Beads, settings and
          test welds stay under the pseudonym: what the course and the machines have shown stays right, and
          the chain of every test weld holds.
        </p>
        <p className="quiet">
          Take the whole record first, if they want it. Not reached from here: what was printed or taken
          along, and backups until they are thrown away (docs/running.md says how long that is). Local law may
          ask you to keep test records under a name for a time: ask before, not after.
        </p>
        <div className="row">
          <Button component="a" href={`/api/students/${studentId}/record.zip`} variant="default" download>
            Take the whole record (ZIP)
          </Button>
        </div>
      </section>
      <Places places={preview.places} under={preview.underChain} form={form.getInputProps('spared')} />
      <section className="panel stack" aria-label="Do it">
        <TextInput
          label={`Type “${preview.student.name}” to forget them`}
          autoComplete="off"
          {...form.getInputProps('name')}
        />
        {forget.isError && Object.keys(form.errors).length === 0 && <Trouble error={forget.error} />}
        <div className="row">
          <Button type="submit" color="red.9" loading={forget.isPending}>
            Forget for good
          </Button>
          <Button component={Link} to={`/students/${studentId}/record`} variant="default">
            Leave it
          </Button>
        </div>
      </section>
      <section className="panel stack" aria-label="Part by part">
        <h2>Part by part</h2>
        <HeldTable parts={preview.parts} withFate />
      </section>
    </form>
  );
}

/** Where the name stands in words of others; each can be spared. */
function Places(props: {
  places: Preview['places'];
  under: number;
  form: { value?: string[]; onChange: (value: string[]) => void };
}) {
  const say = useSay();
  const spared = props.form.value ?? [];
  const turn = (key: string, strike: boolean) =>
    props.form.onChange(strike ? spared.filter((one) => one !== key) : [...spared, key]);
  return (
    <section className="panel stack" aria-label="Where the name stands">
      <h2>Where the name stands</h2>
      <p className="quiet">
        {props.places.length === 0
          ? 'In no words of anybody else.'
          : 'In words that others wrote, or about others. It is struck there; take the tick off where it is somebody else’s name.'}
      </p>
      <ul className="plain-list stack">
        {props.places.map(({ key, where, at, words }) => (
          <li key={key}>
            <Checkbox
              label={words}
              description={`${say(where)}${at ? `, ${dayWithYear(at)}` : ''}`}
              checked={!spared.includes(key)}
              onChange={(event) => turn(key, event.currentTarget.checked)}
            />
          </li>
        ))}
      </ul>
      {props.under > 0 && (
        <p>
          {counted(props.under, 'old record')} of test welds hold the name in their sealed letters. To strike
          it there would break the chain: there it stays.
        </p>
      )}
    </section>
  );
}

function Done(props: { of: Schemas['ForgettingDone']; preview: Preview; studentId: string }) {
  const { pictures, recordings, notes, named, logbooks } = props.of;
  const gone = [
    counted(pictures, 'picture'),
    counted(recordings, 'recording'),
    counted(notes, 'note'),
    counted(logbooks, 'logbook'),
  ];
  return (
    <section className="panel stack" role="status" aria-label="Forgotten">
      <h2>Forgotten</h2>
      <p>
        They are {props.preview.pseudonym} from now on. Gone: {gone.join(', ')}. The name was struck from{' '}
        {counted(named, 'place')}. It stands under Settings, Who did what.
      </p>
      <div className="row">
        <Button component={Link} to={`/students/${props.studentId}/record`}>
          What is left
        </Button>
        <Button component={Link} to="/students" variant="default">
          To the students
        </Button>
      </div>
    </section>
  );
}
