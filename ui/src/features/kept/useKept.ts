import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';

/** Keeps a setting. */
export function useKeep(onKept: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (keep: { id: string; body: Schemas['NewKeepsake'] }) =>
      answer(api.PUT('/api/kept/{id}', { params: { path: { id: keep.id } }, body: keep.body })),
    onSuccess: async () => {
      onKept();
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
}

/** Takes a kept setting away, with a way back. */
export function useUnkeep() {
  const queries = useQueryClient();
  const unkeep = useMutation({
    mutationFn: (kept: { id: string; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/kept/{id}/withdrawn', {
          params: { path: { id: kept.id } },
          body: { withdrawn: kept.withdrawn },
        }),
      ),
    onSuccess: async (_, kept) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (kept.withdrawn) {
        offerUndo(kept.id, 'The kept setting is withdrawn.', () =>
          unkeep.mutate({ id: kept.id, withdrawn: false }),
        );
      }
    },
    onError: tellTrouble,
  });
  return unkeep;
}

/** Whether a machine still stands where a setting was kept. */
export const useCompare = () =>
  useMutation({
    mutationFn: (now: { id: string; body: Schemas['StandsNow'] }) =>
      answer(api.POST('/api/kept/{id}/compare', { params: { path: { id: now.id } }, body: now.body })),
  });
