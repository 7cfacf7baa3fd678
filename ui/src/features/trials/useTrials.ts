import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';

/** Starts a trial. */
export function useStartTrial(onStarted: (view: Schemas['TrialView']) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (start: { id: string; sheetId: string; trial: Schemas['TrialRequest'] }) =>
      answer(
        api.PUT('/api/trials/{id}', {
          params: { path: { id: start.id } },
          body: { sheetId: start.sheetId, trial: start.trial },
        }),
      ),
    onSuccess: async (view) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      onStarted(view);
    },
  });
}

/** Ends a trial, or takes it up again. */
export function useEndTrial(id: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (ended: boolean) =>
      answer(api.PUT('/api/trials/{id}/ended', { params: { path: { id } }, body: { ended } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
    onError: tellTrouble,
  });
}

/** Records a sweep under an id of the caller's. */
export function useRecordSweep(onRecorded: (sweep: Schemas['RunSweep']) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: Schemas['SweepRequest'] }) =>
      answer(api.PUT('/api/sweeps/{id}', { params: { path: { id } }, body })),
    onSuccess: async (sweep) => {
      onRecorded(sweep);
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
}

/** Takes a sweep away, with a way back. */
export function useWithdrawSweep() {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: ({ id, withdrawn }: { id: string; withdrawn: boolean }) =>
      answer(api.PUT('/api/sweeps/{id}/withdrawn', { params: { path: { id } }, body: { withdrawn } })),
    onSuccess: async (_, { id, withdrawn }) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (withdrawn)
        offerUndo(id, 'The sweep is withdrawn.', () => withdraw.mutate({ id, withdrawn: false }));
    },
    onError: tellTrouble,
  });
  return withdraw;
}
