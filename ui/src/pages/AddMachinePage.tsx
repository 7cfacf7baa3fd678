import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { AddMachine } from '../features/machines/AddMachine';
import { roomQueries } from '../features/rooms/queries';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import css from './lists.module.css';

/** A new machine, in a booth that is there or a new one. */
export function AddMachinePage() {
  const rooms = useQuery(roomQueries.list());
  return (
    <Page title="Add a machine" back={{ to: '/machines', label: 'Back to the machines' }}>
      <Loaded of={asLoading(rooms)} what="the rooms">
        {(all) => <InRoom rooms={all} />}
      </Loaded>
    </Page>
  );
}

function InRoom({ rooms }: { rooms: Schemas['SchoolRoom'][] }) {
  const navigate = useNavigate();
  const [roomId, setRoomId] = useState(rooms[0]?.id ?? '');
  const room = useQuery(roomQueries.one(roomId));
  return (
    <div className={`stack ${css.narrow}`}>
      {rooms.length > 1 && (
        <Select
          label="Room"
          data={rooms.map(({ id, name }) => ({ value: id, label: name }))}
          value={roomId}
          onChange={(id) => id && setRoomId(id)}
        />
      )}
      <Loaded of={asLoading(room)} what="the booths">
        {({ booths }) => (
          <AddMachine
            key={roomId}
            booths={booths}
            roomId={roomId}
            onAdded={() => void navigate('/machines')}
          />
        )}
      </Loaded>
    </div>
  );
}
