import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';
import { noteDown } from '../../shared/outbox/noteDown';
import { useNoter } from '../../shared/outbox/noter';

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
export function useRecordSweep() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: Schemas['SweepRequest'] }) =>
      answer(api.PUT('/api/sweeps/{id}', { params: { path: { id } }, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ['room'] }),
  });
}

/** Saves a sweep on this screen first, then sends it. Gives it where the server takes it at once, null where it waits. */
export function useBoothSweep() {
  const noter = useNoter();
  return useMutation({
    // It is kept here whether there is a network or not.
    networkMode: 'always',
    mutationFn: ({ id, body }: { id: string; body: Schemas['SweepRequest'] }) =>
      noteDown<Schemas['RunSweep']>(
        {
          id,
          kind: 'sweep',
          sheetId: body.sheetId,
          label: 'Wire sweep',
          path: `/api/sweeps/${id}`,
          body,
          own: null,
        },
        noter,
      ),
  });
}

/** Lets a machine learn from a student's own sweep, with a way back. */
export function useTakeSweep() {
  const queries = useQueryClient();
  const take = useMutation({
    mutationFn: ({ id, taken }: { id: string; taken: boolean }) =>
      answer(api.PUT('/api/sweeps/{id}/taken', { params: { path: { id } }, body: { taken } })),
    onSuccess: async (_, { id, taken }) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (taken) offerUndo(id, 'The machine learns from it.', () => take.mutate({ id, taken: false }));
    },
    onError: tellTrouble,
  });
  return take;
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
