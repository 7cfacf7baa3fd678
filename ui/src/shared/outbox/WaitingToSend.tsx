import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import { moment } from '../time';
import { counted, countedAll } from '../words';
import type { Waiting } from './db';
import { unstick } from './outbox';
import css from './outbox.module.css';
import { useWaiting } from './useOutbox';

// From here on it is said that a screen gets full: what is kept for later must still find room.
const nearlyFull = 0.8;
const megabyte = 1024 * 1024;

/** What waits on this screen to be sent, with its number and when it was noted; nothing while nothing does. */
export function WaitingToSend() {
  const waiting = useWaiting();
  const room = useRoomLeft(waiting?.length ?? 0);
  const open = (waiting ?? []).filter((one) => !one.held);
  return (
    <>
      {room !== null && (
        <p className="field-error" role="alert">
          This screen is nearly full: room for {Math.floor(room / megabyte)} MB more. Bring it to the network
          before it is used up; beads are kept longest, pictures and sound are not.
        </p>
      )}
      {open.length > 0 && <List waiting={open} />}
    </>
  );
}

function List({ waiting }: { waiting: Waiting[] }) {
  const of = (kind: Waiting['kind']) => waiting.filter((one) => one.kind === kind);
  const stuck = waiting.filter((one) => one.stuck !== null);
  return (
    <section className={css.waiting} aria-label="Waiting to be sent">
      <p role="status">
        <b>
          {countedAll(
            [of('bead').length, 'bead'],
            [of('sweep').length, 'wire sweep'],
            [of('picture').length, 'picture'],
            [of('recording').length, 'recording'],
          )}
        </b>{' '}
        {waiting.length === 1 ? 'waits' : 'wait'} here to be sent.
      </p>
      <ol>
        {[...of('bead'), ...of('sweep')].map(({ id, label, notedAt }) => (
          <li key={id}>
            {label}, noted {moment(new Date(notedAt).toISOString())}
            {filesOf(waiting, id)}
          </li>
        ))}
      </ol>
      {stuck.length > 0 && (
        <div role="alert">
          <p>
            {counted(stuck.length, 'thing')} of it was not taken: {stuck[0]?.stuck} It stays here. Tell your
            instructor.
          </p>
          <Button variant="default" size="lg" onClick={() => void unstick()}>
            Try again
          </Button>
        </div>
      )}
    </section>
  );
}

function filesOf(waiting: Waiting[], beadId: string) {
  const files = waiting.filter((one) => one.beadId === beadId && one.id !== beadId);
  return files.length === 0 ? '' : `, with ${files.map(({ label }) => label.toLowerCase()).join(', ')}`;
}

/** How much room is left, bytes; null while there is plenty or it is not known. */
function useRoomLeft(looksAgain: number) {
  const [left, setLeft] = useState<number | null>(null);
  useEffect(() => {
    let gone = false;
    const look = async () => {
      const { storage } = navigator as Partial<Pick<Navigator, 'storage'>>;
      const { usage = 0, quota = 0 } = (await storage?.estimate()) ?? {};
      if (!gone) setLeft(quota > 0 && usage / quota > nearlyFull ? quota - usage : null);
    };
    void look().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [looksAgain]);
  return left;
}
