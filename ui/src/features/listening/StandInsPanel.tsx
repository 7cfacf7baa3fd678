import { Switch } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { tellTrouble } from '../../shared/notices';
import { useNow } from '../sessions/useBench';
import { listeningQueries } from './queries';
import { LoadTrouble } from '../../shared/Loaded';

/** Which booths have a simulated microphone and logger. */
export function StandInsPanel() {
  const booths = useNow().data?.booths ?? [];
  return (
    <section className="panel stack" aria-label="Stand-in devices">
      <h2>Stand-in devices</h2>
      <p className="quiet">
        A simulated microphone and a simulated logger of volts and amps, for trying out recordings. They write
        down an arc computed from the bead, not the one that burned.
      </p>
      {booths.map((booth) => (
        <Devices key={booth.id} boothId={booth.id} name={`Booth ${booth.number}`} />
      ))}
    </section>
  );
}

function Devices({ boothId, name }: { boothId: string; name: string }) {
  const queries = useQueryClient();
  const stands = useQuery(listeningQueries.standIns(boothId));
  const set = useMutation({
    mutationFn: (body: Schemas['StandIns']) =>
      answer(api.PUT('/api/booths/{id}/stand-ins', { params: { path: { id: boothId } }, body })),
    onSuccess: (now) => queries.setQueryData(listeningQueries.standIns(boothId).queryKey, now),
    onError: tellTrouble,
  });
  if (!stands.data) return <LoadTrouble of={stands} what={`${name}’s devices`} />;
  const { microphone, logger } = stands.data;
  return (
    <div className="row" role="group" aria-label={`${name}, stand-ins`}>
      <b>{name}</b>
      <Switch
        size="lg"
        label="Microphone"
        checked={microphone}
        onChange={(event) => set.mutate({ microphone: event.currentTarget.checked, logger })}
      />
      <Switch
        size="lg"
        label="Logger"
        checked={logger}
        onChange={(event) => set.mutate({ microphone, logger: event.currentTarget.checked })}
      />
    </div>
  );
}
