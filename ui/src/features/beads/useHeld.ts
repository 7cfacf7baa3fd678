import { useCallback, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { useNoter } from '../../shared/outbox/noter';
import { drop, hold } from '../../shared/outbox/outbox';
import { useWaiting } from '../../shared/outbox/useOutbox';
import { serverNow } from '../../shared/serverClock';
import { sides } from './sides';
import { shrink } from './shrink';

/** Pictures and sound of a bead that is still being noted: kept on this screen until it is saved, and then sent behind it. */
export function useHeld(beadId: string, sheetId: string) {
  const noter = useNoter();
  const waiting = useWaiting();
  const [trouble, setTrouble] = useState<string | null>(null);
  const held = (waiting ?? []).filter((one) => one.beadId === beadId && one.kind !== 'bead');
  const keep = useCallback(
    async (kind: 'picture' | 'recording', label: string, path: (id: string) => string, body: Blob) => {
      if (!noter) return;
      const id = newId();
      const notedAt = serverNow();
      setTrouble(null);
      try {
        await hold({ id, kind, beadId, sheetId, label, path: path(id), body, ...noter, notedAt, own: null });
      } catch {
        setTrouble(
          `There is no room left on this screen: the ${kind} was not kept. The bead can be saved without it.`,
        );
      }
    },
    [noter, beadId, sheetId],
  );
  const addPicture = useCallback(
    async (side: Schemas['PictureSide'], file: Blob) =>
      keep('picture', sides[side], (id) => `/api/beads/${beadId}/pictures/${side}/${id}`, await shrink(file)),
    [keep, beadId],
  );
  const addSound = useCallback(
    async (sound: Blob) => {
      // One arc, one recording: a second try takes the place of the first.
      for (const one of held.filter(({ kind }) => kind === 'recording')) await drop(one.id, beadId);
      const query = new URLSearchParams({
        name: `At the booth, ${new Date().toLocaleTimeString()}`,
        origin: 'microphone',
      });
      await keep(
        'recording',
        'Sound',
        (id) => `/api/beads/${beadId}/recordings/${id}?${query.toString()}`,
        sound,
      );
    },
    [keep, held, beadId],
  );
  return { held, trouble, addPicture, addSound, drop: (id: string) => void drop(id, beadId) };
}
