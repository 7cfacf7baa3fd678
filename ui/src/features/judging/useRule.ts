import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { tellDone } from '../../shared/notices';
import { useIds } from '../../shared/useIds';
import { judgingQueries } from './queries';

/** What an instructor says of a judgement: of its verdict or its aspects, and of its first cause. */
export interface Word {
  rulings: Schemas['RulingRequest'][];
  cause?: { cause: Schemas['Cause']; reason: string } | undefined;
}

/** Keeps an instructor's word beside the tool's. */
export function useRule(beadId: string, onKept: () => void) {
  const queries = useQueryClient();
  const { idOf, taken } = useIds();
  return useMutation({
    mutationFn: async ({ rulings, cause }: Word) => {
      if (cause) {
        await answer(
          api.PUT('/api/beads/{id}/causes/{rulingId}', {
            params: { path: { id: beadId, rulingId: idOf(cause) } },
            body: cause,
          }),
        );
      }
      for (const body of rulings) {
        await answer(
          api.PUT('/api/beads/{id}/rulings/{rulingId}', {
            params: { path: { id: beadId, rulingId: idOf(body) } },
            body,
          }),
        );
      }
    },
    onSuccess: async () => {
      taken();
      onKept();
      tellDone('Your verdict is kept beside the tool’s.');
      await queries.invalidateQueries({ queryKey: inRoom() });
      await queries.invalidateQueries({ queryKey: judgingQueries.agreement().queryKey });
      await queries.invalidateQueries({ queryKey: judgingQueries.learned().queryKey });
    },
  });
}
