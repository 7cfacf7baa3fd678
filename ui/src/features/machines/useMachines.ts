import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';

/** Takes a reading or a chart away, with a way back. */
export function useWithdrawn(what: 'readings' | 'charts', gone: string) {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: (entry: { machineId: string; id: string; withdrawn: boolean }) => {
      const body = { withdrawn: entry.withdrawn };
      return what === 'readings'
        ? answer(
            api.PUT('/api/machines/{id}/readings/{readingId}/withdrawn', {
              params: { path: { id: entry.machineId, readingId: entry.id } },
              body,
            }),
          )
        : answer(
            api.PUT('/api/machines/{id}/charts/{chartId}/withdrawn', {
              params: { path: { id: entry.machineId, chartId: entry.id } },
              body,
            }),
          );
    },
    onSuccess: async (_, entry) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (entry.withdrawn) offerUndo(entry.id, gone, () => withdraw.mutate({ ...entry, withdrawn: false }));
    },
    onError: tellTrouble,
  });
  return withdraw;
}

export type Detail = Schemas['MachineDetail'];
