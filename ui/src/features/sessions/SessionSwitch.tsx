import { useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { chooseSession } from './chosen';
import { hoursOf } from './hours';
import css from './sessionSwitch.module.css';
import { useNow } from './useBench';

/** Which of the sessions of these hours this screen shows; nothing where there is one. */
export function SessionSwitch() {
  const queries = useQueryClient();
  const now = useNow().data;
  if (!now || now.choices.length < 2) return null;
  // The browser's own list: a first page needs no other for this.
  return (
    <select
      className={css.list}
      aria-label="Session shown on this screen"
      value={now.session?.id ?? ''}
      onChange={(event) => {
        chooseSession(event.currentTarget.value);
        void queries.invalidateQueries({ queryKey: inRoom() });
      }}
    >
      {!now.session && <option value="">Choose a session</option>}
      {now.choices.map((session) => (
        <option key={session.id} value={session.id}>
          {lineOf(session)}
        </option>
      ))}
    </select>
  );
}

const lineOf = (session: Schemas['Session']) =>
  [session.roomName, session.title, hoursOf(session)].filter(Boolean).join(', ');
