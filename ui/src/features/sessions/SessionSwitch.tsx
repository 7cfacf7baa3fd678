import { Select } from '@mantine/core';
import { useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { chooseSession } from './chosen';
import { hoursOf } from './hours';
import { useNow } from './useBench';

/** Which of the sessions of these hours this screen shows; nothing where there is one. */
export function SessionSwitch() {
  const queries = useQueryClient();
  const now = useNow().data;
  if (!now || now.choices.length < 2) return null;
  return (
    <Select
      aria-label="Session shown on this screen"
      data={now.choices.map((session) => ({ value: session.id, label: lineOf(session) }))}
      value={now.session?.id ?? null}
      allowDeselect={false}
      onChange={(id) => {
        if (!id) return;
        chooseSession(id);
        void queries.invalidateQueries({ queryKey: inRoom() });
      }}
    />
  );
}

const lineOf = (session: Schemas['Session']) =>
  [session.roomName, session.title, hoursOf(session)].filter(Boolean).join(', ');
