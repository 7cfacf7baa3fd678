import { Button, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { SchoolPanel } from '../features/people/SchoolPanel';
import { roomQueries } from '../features/rooms/queries';
import { RoomPanel } from '../features/rooms/RoomPanel';
import { answer, api } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Trouble } from '../shared/Trouble';
import { useEntry } from '../shared/useEntry';

/** The rooms of the school, the booths in them, and what stands where. */
export function RoomsPage() {
  const rooms = useQuery(roomQueries.list());
  return (
    <div className="two-columns even">
      <div className="stack">
        <Loaded of={asLoading(rooms)} what="the rooms">
          {(all) => (
            <>
              {all.map((room) => (
                <RoomPanel key={room.id} room={room} />
              ))}
            </>
          )}
        </Loaded>
      </div>
      <div className="stack">
        <AddRoom />
        <SchoolPanel />
      </div>
    </div>
  );
}

function AddRoom() {
  const { form, pending, submit, trouble } = useEntry({ name: '' }, (body, id) =>
    answer(api.PUT('/api/rooms/{id}', { params: { path: { id } }, body })),
  );
  return (
    <form className="panel stack" aria-label="Another room" onSubmit={submit}>
      <h2>Another room</h2>
      <TextInput label="Name" maxLength={60} {...form.getInputProps('name')} />
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" variant="default" loading={pending}>
        Add room
      </Button>
      <p className="quiet">A session is held in one room, and its booths are those of that room.</p>
    </form>
  );
}
