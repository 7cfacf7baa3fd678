import { Button, Checkbox, Modal } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { useSay } from '../../shared/words/useSay';

/** Begins a slot of the plan: everybody is put where it says and given their sheet; who could not be is told. */
export default function BeginSlot(props: { sessionId: string; slot: number; onClose: () => void }) {
  const say = useSay();
  const { slot } = props;
  const [loaded, setLoaded] = useState(true);
  const queries = useQueryClient();
  const ids = useIds();
  const begin = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/sessions/{id}/slots/{slot}/begun/{begunId}', {
          params: { path: { id: props.sessionId, slot, begunId: ids.idOf({ slot, loaded }) } },
          body: { loaded },
        }),
      ),
    onSuccess: (started) => {
      if (started.notGiven.length === 0) props.onClose();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
  const started = begin.data;
  return (
    <Modal opened onClose={props.onClose} size="lg" title={`Begin slot ${slot + 1}`}>
      <div className="stack">
        {started ? (
          <>
            <p>
              {started.placed} stand at their booths, {started.given} new sheets are given out. Not given out:
            </p>
            <ul className="plain-list stack">
              {started.notGiven.map(({ student, boothId, booth, why }) => (
                <li key={student.id}>
                  <b>
                    Booth {booth}, {student.name}
                  </b>
                  : {say(why)} <Link to={`/booths/${boothId}`}>To the booth</Link>
                </li>
              ))}
            </ul>
            <div className="row">
              <Button onClick={props.onClose}>On to the floor</Button>
            </div>
          </>
        ) : (
          <>
            <p>
              Everybody is put where the plan says and given the sheet of their exercise. Who goes on with the
              same keeps theirs.
            </p>
            <Checkbox
              label="The machines are loaded as the plan says"
              description="That is noted of each of them. Otherwise only what fits is given out."
              checked={loaded}
              onChange={(event) => setLoaded(event.currentTarget.checked)}
            />
            <p>
              <Link to={`/sessions/${props.sessionId}/plan/lists`}>What to load where</Link>
            </p>
            {begin.isError && <Trouble error={begin.error} />}
            <div className="row">
              <Button size="lg" loading={begin.isPending} onClick={() => begin.mutate()}>
                Begin it
              </Button>
              <Button size="lg" variant="default" onClick={props.onClose}>
                Not yet
              </Button>
            </div>
          </>
        )}
      </div>
    </Modal>
  );
}
