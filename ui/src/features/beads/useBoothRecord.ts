import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { noteDown } from '../../shared/outbox/noteDown';
import { useNoter } from '../../shared/outbox/noter';
import { beadQueries } from './queries';

export interface BoothRecord {
  id: string;
  number: number;
  body: Schemas['BeadRequest'];
}

/**
 * Saves a bead on this screen first, then sends it with what belongs to it. Gives the bead where the server takes it at once, null where it
 * waits; refused it is still in the form.
 */
export function useBoothRecord(onSaved: (saved: BoothRecord, bead: Schemas['Bead'] | null) => void) {
  const noter = useNoter();
  const queries = useQueryClient();
  return useMutation({
    // It is kept here whether there is a network or not.
    networkMode: 'always',
    mutationFn: ({ id, number, body }: BoothRecord) =>
      noteDown<Schemas['Bead']>(
        {
          id,
          kind: 'bead',
          sheetId: body.sheetId,
          label: `Bead ${number}`,
          path: `/api/beads/${id}`,
          body,
          own: body.own ?? null,
        },
        noter,
      ),
    onSuccess: (bead, saved) => {
      onSaved(saved, bead);
      if (!bead) return;
      void queries.invalidateQueries({ queryKey: beadQueries.mine().queryKey });
      if (saved.body.trial) void queries.invalidateQueries({ queryKey: inRoom('my-trial') });
    },
  });
}
