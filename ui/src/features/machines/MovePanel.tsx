import { Button, Select, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded, LoadTrouble } from '../../shared/Loaded';
import { tellDone } from '../../shared/notices';
import { Trouble } from '../../shared/Trouble';
import { moment } from '../../shared/time';
import { useEntry } from '../../shared/useEntry';
import { roomQueries } from '../rooms/queries';
import { machineQueries } from './queries';

const nowhere = 'in no booth';

/** Where a machine stands and stood. Its readings, charts and what was learned of it go with it. */
export function MovePanel(props: { machineId: string; booth: Schemas['Booth'] | null }) {
  const moves = useQuery(machineQueries.moves(props.machineId));
  return (
    <section className="panel stack" aria-label="Where it stands">
      <h2>Where it stands</h2>
      <Loaded of={asLoading(moves)} what="where it stood">
        {(all) => (
          <ol className="plain-list" reversed>
            {all.map((move, place) => (
              <li key={move.at + String(place)}>
                {place === 0 ? <b>{placeOf(move)}</b> : placeOf(move)}{' '}
                <span className="quiet">
                  {move.by ? `since ${moment(move.at)}, ${move.by}` : 'from the start'}
                  {move.note && `: ${move.note}`}
                </span>
              </li>
            ))}
          </ol>
        )}
      </Loaded>
      <Move {...props} />
    </section>
  );
}

const placeOf = ({ boothNumber, roomName }: Schemas['MachineMove']) =>
  boothNumber === null ? 'In no booth' : `Booth ${boothNumber}, ${roomName}`;

function Move({ machineId, booth }: { machineId: string; booth: Schemas['Booth'] | null }) {
  const rooms = useQuery(roomQueries.list());
  const [picked, setPicked] = useState<string | null>(null);
  const roomId = picked ?? booth?.roomId ?? rooms.data?.[0]?.id;
  const room = useQuery({ ...roomQueries.one(roomId ?? ''), enabled: roomId !== undefined });
  const { form, pending, submit, trouble } = useEntry(
    { to: null as string | null, note: '' },
    ({ to, note }, moveId) =>
      answer(
        api.PUT('/api/machines/{id}/moves/{moveId}', {
          params: { path: { id: machineId, moveId } },
          body: { boothId: to === nowhere ? null : to, note },
        }),
      ),
    () => tellDone('The machine is moved.'),
  );
  const to = form.values.to;
  const beside = room.data?.booths.find((one) => one.booth.id === to)?.machines ?? [];
  return (
    <form className="stack" aria-label="Move it" onSubmit={submit}>
      <LoadTrouble of={rooms} what="the rooms" />
      <LoadTrouble of={room} what="the booths" />
      <div className="form-grid">
        {(rooms.data?.length ?? 0) > 1 && (
          <Select
            label="Room"
            data={rooms.data?.map(({ id, name }) => ({ value: id, label: name })) ?? []}
            value={roomId ?? null}
            onChange={(id) => {
              setPicked(id);
              form.setFieldValue('to', null);
            }}
          />
        )}
        <Select
          label="Move to"
          placeholder="a booth"
          data={[
            ...(room.data?.booths ?? [])
              .filter((one) => one.booth.id !== booth?.id)
              .map((one) => ({
                value: one.booth.id,
                label: [`Booth ${one.booth.number}`, ...one.machines.map(({ name }) => name)].join(', '),
              })),
            ...(booth ? [{ value: nowhere, label: 'In no booth' }] : []),
          ]}
          {...form.getInputProps('to')}
          error={form.errors.boothId}
        />
        <TextInput
          label="Note"
          placeholder="why, or where it went"
          maxLength={200}
          {...form.getInputProps('note')}
        />
      </div>
      {beside.length > 0 && (
        <p className="quiet">It will stand beside {beside.map(({ name }) => name).join(', ')}.</p>
      )}
      {trouble && <Trouble error={trouble} />}
      <div className="row">
        <Button type="submit" variant="default" disabled={to === null} loading={pending}>
          Move it
        </Button>
      </div>
    </form>
  );
}
