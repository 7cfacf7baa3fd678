import { Button } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { Line } from '../../shared/words/useSay';
import css from './booths.module.css';

const StudentChoice = lazy(() => import('./StudentChoice'));

/** Whose booth it is tonight: a key that opens the list of who could stand there. */
export function WhoStands(props: {
  sessionId: string;
  booth: Schemas['Booth'];
  student: Schemas['PersonName'] | null;
  waiting: Schemas['PersonName'][];
}) {
  const { booth, student } = props;
  const queries = useQueryClient();
  const key = useRef<HTMLButtonElement>(null);
  const [choosing, setChoosing] = useState(false);
  const [chosen, setChosen] = useState(false);
  const place = useMutation({
    mutationFn: (studentId: string | null) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/student', {
          params: { path: { id: props.sessionId, boothId: booth.id } },
          body: { studentId },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom() }),
  });
  useEffect(() => {
    // Whoever has chosen, or thought better of it, goes on from the key.
    if (chosen && !choosing && document.activeElement === document.body) key.current?.focus();
  }, [chosen, choosing]);
  const done = () => {
    setChosen(true);
    setChoosing(false);
  };
  const shown = student?.name ?? 'Nobody here yet';
  const label = `Who stands at booth ${booth.number}`;
  const closed = (
    <Button
      ref={key}
      variant="default"
      size="lg"
      fullWidth
      justify="start"
      className={css.who}
      data-nobody={student === null}
      aria-label={`${label}: ${shown}`}
      aria-haspopup="listbox"
      loading={place.isPending}
      onClick={() => setChoosing(true)}
    >
      {shown}
    </Button>
  );
  return (
    <>
      {choosing ? (
        <Suspense fallback={closed}>
          <StudentChoice
            label={label}
            free={student !== null}
            waiting={props.waiting}
            onChoose={(id) => {
              place.mutate(id);
              done();
            }}
            onClose={done}
          />
        </Suspense>
      ) : (
        closed
      )}
      {place.isError && (
        <p role="alert" className="field-error">
          <Line error={place.error} />
        </p>
      )}
    </>
  );
}
