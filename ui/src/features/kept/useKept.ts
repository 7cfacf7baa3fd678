import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { usePages } from '../../shared/usePages';

export interface Sought {
  machineId?: string | undefined;
  thickness?: string | undefined;
  joint?: string | undefined;
}

/** Settings that were kept, found by job. */
export const useKept = (sought: Sought) =>
  usePages<Schemas['KeptView'], string>(['room', 'kept', sought], (before, signal) =>
    answer(
      api.GET('/api/kept', {
        params: {
          query: {
            machineId: sought.machineId || undefined,
            thickness: sought.thickness || undefined,
            joint: sought.joint || undefined,
            before: before === undefined ? undefined : Number(before),
          },
        },
        signal,
      }),
    ),
  );

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
        offerUndo(kept.id, 'The setting is no longer kept.', () =>
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
