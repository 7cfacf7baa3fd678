import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Schemas } from '../../shared/api/client';
import { wrote } from '../../shared/live/ownWrites';
import { deliver, type Outcome, outcomeOf } from '../../shared/outbox/deliver';
import { useNoter } from '../../shared/outbox/noter';
import { release } from '../../shared/outbox/outbox';
import { serverNow } from '../../shared/serverClock';
import { beadQueries } from './queries';

// With gloves on nobody waits longer for an answer, ms.
const patience = 3_000;

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
    mutationFn: async ({ id, number, body }: BoothRecord): Promise<Schemas['Bead'] | null> => {
      if (!noter) throw new Error('Nobody is known to stand here.');
      wrote(id);
      const notedAt = serverNow();
      const outcome = outcomeOf(id);
      await release({
        id,
        kind: 'bead',
        beadId: id,
        sheetId: body.sheetId,
        label: `Bead ${number}`,
        path: `/api/beads/${id}`,
        body: JSON.stringify({ ...body, notedAt: new Date(notedAt).toISOString() }),
        ...noter,
        notedAt,
        own: body.own ?? null,
      });
      const sent = deliver(({ standing, who }) => standing !== null || who === noter.who);
      const waits = { waits: true } as const;
      const came: Outcome = await Promise.race([
        outcome,
        sent.then(() => waits),
        new Promise<typeof waits>((late) => setTimeout(() => late(waits), patience)),
      ]);
      if ('refused' in came) throw came.refused;
      return 'taken' in came ? (came.taken as Schemas['Bead']) : null;
    },
    onSuccess: (bead, saved) => {
      onSaved(saved, bead);
      if (bead) void queries.invalidateQueries({ queryKey: beadQueries.mine().queryKey });
    },
  });
}
