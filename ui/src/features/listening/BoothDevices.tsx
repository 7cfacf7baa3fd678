import { Button } from '@mantine/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { LoadTrouble } from '../../shared/Loaded';
import { useIds } from '../../shared/useIds';
import { Line } from '../../shared/words/useSay';
import { listeningQueries } from './queries';

const devices = { microphone: 'Booth microphone', logger: 'Booth logger' } as const;
type Device = keyof typeof devices;

/** Records with the devices that stand in the booth. */
export function BoothDevices({ beadId, boothId }: { beadId: string; boothId: string }) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  const there = useQuery(listeningQueries.standIns(boothId));
  const record = useMutation({
    mutationFn: (device: Device) =>
      answer(
        api.PUT('/api/beads/{id}/recordings/{recordingId}/stand-in/{device}', {
          params: { path: { id: beadId, recordingId: idOf(device), device } },
        }),
      ),
    onSuccess: () => {
      taken();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
  });
  return (
    <>
      <LoadTrouble of={there} what="the booth’s devices" />
      {(Object.keys(devices) as Device[])
        .filter((device) => there.data?.[device])
        .map((device) => (
          <Button
            key={device}
            variant="default"
            loading={record.isPending && record.variables === device}
            onClick={() => record.mutate(device)}
          >
            {devices[device]}
          </Button>
        ))}
      {record.isError && (
        <p className="field-error" role="alert">
          <Line error={record.error} otherwise="The recording was not saved." />
        </p>
      )}
    </>
  );
}
