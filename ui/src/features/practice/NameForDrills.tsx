import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { Choice } from '../../shared/Choice';
import { Trouble } from '../../shared/Trouble';
import { useIds } from '../../shared/useIds';
import { evidence } from '../../shared/words';
import { deviations } from './drillWords';
import { practiceQueries } from './queries';
import { LoadTrouble } from '../../shared/Loaded';

/** An instructor names a recording: what it sounds like, and what was off. From then on it is among the ear drills. */
export function NameForDrills({ recording }: { recording: Schemas['Recording'] }) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  const [open, setOpen] = useState(false);
  const [sound, setSound] = useState<Schemas['Sound'] | null>(recording.finding.heard.sound);
  const [deviation, setDeviation] = useState<Schemas['Deviation'] | null>(null);
  const named = useQuery(practiceQueries.named(recording.beadId));
  const save = useMutation({
    mutationFn: (body: Schemas['RecordingNames']) =>
      answer(
        api.PUT('/api/recordings/{recordingId}/names/{id}', {
          params: { path: { recordingId: recording.id, id: idOf([recording.id, body]) } },
          body,
        }),
      ),
    onSuccess: async () => {
      taken();
      setOpen(false);
      await queries.invalidateQueries({ queryKey: practiceQueries.named(recording.beadId).queryKey });
    },
  });
  if (!named.data) return <LoadTrouble of={named} what="its names for the drills" />;
  const clip = named.data.find((one) => one.recordingId === recording.id);
  if (!open)
    return (
      <div className="row">
        {clip && (
          <span>
            In the drills: <b>{evidence.sound.words[clip.sound]}</b>,{' '}
            {deviations[clip.deviation].toLowerCase()}
          </span>
        )}
        <Button variant="default" onClick={() => setOpen(true)}>
          {clip ? 'Name it anew' : 'Name it for the drills'}
        </Button>
        {clip && (
          <Button
            variant="default"
            loading={save.isPending}
            onClick={() => save.mutate({ sound: null, deviation: null })}
          >
            Out of the drills
          </Button>
        )}
        {save.isError && <Trouble error={save.error} />}
      </div>
    );
  return (
    <section className="stack" aria-label="Name it for the drills">
      <p className="quiet">
        Students hear the first seconds of its arc and are asked what is off; they are not told whose bead it
        was.
      </p>
      <Choice title="It sounds like" words={evidence.sound.words} value={sound} onChange={setSound} />
      <Choice title="What was off" words={deviations} value={deviation} onChange={setDeviation} />
      {save.isError && <Trouble error={save.error} />}
      <div className="row">
        <Button
          disabled={sound === null || deviation === null}
          loading={save.isPending}
          onClick={() => save.mutate({ sound, deviation })}
        >
          Put it among the drills
        </Button>
        <Button variant="default" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
    </section>
  );
}
