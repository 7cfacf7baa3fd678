import { Button, FileButton } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { newId } from '../../shared/newId';
import { tellDone } from '../../shared/notices';
import { postFile } from '../../shared/postFile';
import { useLine, useSay } from '../../shared/words/useSay';
import { draftOf, jobOf } from './exerciseDraft';

type Read = Schemas['ReadExercise'];

const states: Record<Schemas['FileState'], string> = {
  new: 'new here',
  same: 'here already',
  other: 'changes what is here',
  wrong: 'cannot be taken',
};

/** Exercises out as files, and in from another school's. */
export function ExerciseFiles() {
  const reading = useMutation({ mutationFn: (file: File) => postFile<Read[]>('/api/exercises/read', file) });
  const wrong = useLine(reading.error);
  return (
    <section className="panel stack" aria-label="Files">
      <h2>Files</h2>
      <div className="row">
        <Button component="a" variant="default" href="/api/exercises/json" download>
          All, as JSON
        </Button>
        <Button component="a" variant="default" href="/api/exercises/csv" download>
          All, for a spreadsheet
        </Button>
        <FileButton accept=".json,application/json" onChange={(file) => file && reading.mutate(file)}>
          {(key) => (
            <Button variant="default" loading={reading.isPending} {...key}>
              Read a JSON file
            </Button>
          )}
        </FileButton>
      </div>
      {reading.isError && (
        <p className="field-error" role="alert">
          {wrong}
        </p>
      )}
      {reading.data && <Found read={reading.data} onDone={() => reading.reset()} />}
    </section>
  );
}

function Found({ read, onDone }: { read: Read[]; onDone: () => void }) {
  const say = useSay();
  const queries = useQueryClient();
  const shown = read.filter(({ state }) => state !== 'same');
  const take = useMutation({
    // One after the other: what comes before an exercise has to be here before it.
    mutationFn: async (taken: Read[]) => {
      for (const one of inOrder(taken)) await answer(put(one));
    },
    onSuccess: () => {
      tellDone('The exercises are here.');
      onDone();
    },
    onSettled: () => queries.invalidateQueries({ queryKey: inRoom() }),
  });
  const failed = useLine(take.error);
  const taken = shown.filter(({ state }) => state !== 'wrong');
  return (
    <>
      <p>
        {read.length} in the file, {read.length - shown.length} of them here already as they are.
      </p>
      <ul className="plain-list">
        {shown.map(({ id, exercise, state, problems }) => (
          <li key={id}>
            {exercise.name} <span className="quiet">{states[state]}</span>
            {problems.map(({ field, said }) => (
              <span key={field} className="field-error">
                {' '}
                {say(said)}
              </span>
            ))}
          </li>
        ))}
      </ul>
      {take.isError && (
        <p className="field-error" role="alert">
          {failed}
        </p>
      )}
      <div className="row">
        {taken.length > 0 && (
          <Button loading={take.isPending} onClick={() => take.mutate(taken)}>
            Take {taken.length}
          </Button>
        )}
        <Button variant="default" onClick={onDone}>
          Leave it
        </Button>
      </div>
    </>
  );
}

const put = (one: Read) => {
  const known = { ...one, fromLibrary: false, retired: false };
  return api.PUT('/api/exercises/{id}', {
    params: { path: { id: one.id } },
    body: { ...draftOf(known), job: jobOf(known), editionId: newId(), edition: one.edition },
  });
};

// Those first of which nothing that is still to come stands before.
function inOrder(all: Read[]): Read[] {
  const left = new Map(all.map((one) => [one.id, one]));
  const sorted: Read[] = [];
  while (left.size > 0) {
    const free = [...left.values()].filter(({ exercise }) => !exercise.before.some((id) => left.has(id)));
    // A circle is told by the server.
    for (const one of free.length > 0 ? free : [...left.values()]) {
      sorted.push(one);
      left.delete(one.id);
    }
  }
  return sorted;
}
