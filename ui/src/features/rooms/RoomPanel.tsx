import { Button, NumberInput, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { tellDone } from '../../shared/notices';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { roomQueries } from './queries';
import css from './rooms.module.css';

interface NumberEntry extends Record<string, unknown> {
  number: number | string;
}

/** A room: its name, its booths by number, and what stands in each. */
export function RoomPanel({ room }: { room: Schemas['SchoolRoom'] }) {
  const booths = useQuery(roomQueries.one(room.id));
  return (
    <section className="panel stack" aria-label={room.name}>
      <RoomName key={room.version} room={room} />
      <Loaded of={asLoading(booths)} what="the booths">
        {(data) => (
          <>
            {data.booths.length === 0 && <p className="quiet">No booth yet.</p>}
            <ul className={`plain-list ${css.booths}`}>
              {data.booths.map((one) => (
                <BoothRow key={`${one.booth.id} ${one.booth.version}`} {...one} />
              ))}
            </ul>
            <AddBooth
              key={data.booths.length}
              roomId={room.id}
              next={Math.max(0, ...data.booths.map(({ booth }) => booth.number)) + 1}
            />
          </>
        )}
      </Loaded>
    </section>
  );
}

function RoomName({ room }: { room: Schemas['SchoolRoom'] }) {
  const [changing, setChanging] = useState(false);
  const { form, pending, submit, trouble } = useEntry(
    { name: room.name },
    ({ name }) =>
      answer(
        api.PUT('/api/rooms/{id}/name', {
          params: { path: { id: room.id } },
          body: { name, version: room.version },
        }),
      ),
    () => setChanging(false),
  );
  if (!changing) {
    return (
      <div className={css.head}>
        <h2>{room.name}</h2>
        <Button variant="default" aria-label={`Rename ${room.name}`} onClick={() => setChanging(true)}>
          Rename
        </Button>
      </div>
    );
  }
  return (
    <form className="naming" onSubmit={submit}>
      <TextInput label="Name of the room" autoFocus maxLength={60} {...form.getInputProps('name')} />
      <SaveOrBack pending={pending} trouble={trouble} onBack={() => setChanging(false)} />
    </form>
  );
}

function SaveOrBack(props: { pending: boolean; trouble: Error | null; onBack: () => void }) {
  return (
    <>
      <Button type="submit" loading={props.pending}>
        Save
      </Button>
      <Button variant="default" onClick={props.onBack}>
        Back
      </Button>
      {props.trouble && <Trouble error={props.trouble} />}
    </>
  );
}

function BoothRow({ booth, machines }: Schemas['BoothWithMachines']) {
  const [changing, setChanging] = useState(false);
  const { form, pending, submit, trouble } = useEntry<NumberEntry, unknown>(
    { number: booth.number },
    ({ number }) =>
      answer(
        api.PUT('/api/booths/{id}/number', {
          params: { path: { id: booth.id } },
          body: { number: Number(number), version: booth.version },
        }),
      ),
    () => setChanging(false),
  );
  return (
    <li className={css.booth} aria-label={`Booth ${booth.number}`}>
      <BoothNumber number={booth.number} small />
      {changing ? (
        <form className="naming" onSubmit={submit}>
          <NumberInput label="Number" autoFocus min={1} max={999} {...form.getInputProps('number')} />
          <SaveOrBack pending={pending} trouble={trouble} onBack={() => setChanging(false)} />
        </form>
      ) : (
        <>
          <span>
            {machines.length === 0 && <span className="quiet">no machine</span>}
            {machines.map(({ id, name }, place) => (
              <span key={id}>
                {place > 0 && ', '}
                <Link to={`/machines/${id}`}>{name}</Link>
              </span>
            ))}
          </span>
          <Button
            variant="default"
            aria-label={`Renumber booth ${booth.number}`}
            onClick={() => setChanging(true)}
          >
            Renumber
          </Button>
        </>
      )}
    </li>
  );
}

function AddBooth({ roomId, next }: { roomId: string; next: number }) {
  const { form, pending, submit, trouble } = useEntry<NumberEntry, unknown>(
    { number: next },
    ({ number }, id) =>
      answer(
        api.PUT('/api/booths/{id}', {
          params: { path: { id } },
          body: { roomId, number: Number(number) },
        }),
      ),
    () => tellDone('The booth is there. Move a machine in from the machine’s page.'),
  );
  return (
    <form className="naming" onSubmit={submit}>
      <NumberInput label="Another booth" min={1} max={999} {...form.getInputProps('number')} />
      <Button type="submit" variant="default" loading={pending}>
        Add booth
      </Button>
      {trouble && <Trouble error={trouble} />}
    </form>
  );
}
