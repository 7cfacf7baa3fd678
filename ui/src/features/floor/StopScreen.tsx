import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { inRoom } from '../../shared/live/changes';
import { Line } from '../../shared/words/useSay';
import css from './floor.module.css';
import { floorQueries } from './queries';

/** Over everything, on every screen that is signed in, while everything is stopped. */
export default function StopScreen({ mayEnd }: { mayEnd: boolean }) {
  const stop = useQuery(floorQueries.stop());
  return stop.data?.stop ? (
    <Stopped stop={stop.data.stop} mayEnd={mayEnd} />
  ) : (
    <LoadTrouble of={stop} what="whether everything is stopped" />
  );
}

function Stopped({ stop, mayEnd }: { stop: Schemas['StandingStop']; mayEnd: boolean }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const queries = useQueryClient();
  const end = useMutation({
    mutationFn: () => answer(api.PUT('/api/stop/{id}/ended', { params: { path: { id: stop.id } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom('stop') }),
  });
  useEffect(() => {
    const shown = dialog.current;
    shown?.showModal();
    return () => shown?.close();
  }, []);
  return (
    // Only who may end it closes it: no key does by the way.
    <dialog
      ref={dialog}
      className={css.stop}
      role="alertdialog"
      aria-labelledby="stop-word"
      aria-describedby="stop-what"
      onCancel={(event) => event.preventDefault()}
    >
      <h2 id="stop-word">STOP</h2>
      <p id="stop-what">
        Let go of the trigger or pedal. Hood up. Stay where you are and look to your instructor.
      </p>
      <small>
        {stop.by} stopped everything, {stop.roomName}. This screen cuts no power: the switch on the wall does.
        In an emergency call for help as your site’s rules say.
      </small>
      {mayEnd && (
        <Button size="lg" variant="default" loading={end.isPending} onClick={() => end.mutate()}>
          It is safe: go on
        </Button>
      )}
      {end.isError && (
        <p role="alert">
          <Line error={end.error} />
        </p>
      )}
    </dialog>
  );
}
