import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { offerUndo, tellTrouble } from '../../shared/notices';

/** Records a bead under an id of the caller's; the same id twice makes one bead. */
export function useRecord(onRecorded: (bead: Schemas['Bead']) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: Schemas['BeadRequest'] }) =>
      answer(api.PUT('/api/beads/{id}', { params: { path: { id } }, body })),
    onSuccess: async (bead) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      onRecorded(bead);
    },
  });
}

/** Everything kept of one bead. */
export const useBeadFile = (id: string | undefined) =>
  useQuery({
    queryKey: ['room', 'bead-file', id],
    queryFn: () => answer(api.GET('/api/beads/{id}/file', { params: { path: { id: id ?? '' } } })),
    enabled: id !== undefined,
  });

/** Looks at a bead again: all its evidence, as it now stands. */
export function useLook(onLooked: () => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (look: { id: string; beadId: string; evidence: Schemas['Evidence'] }) =>
      answer(
        api.PUT('/api/beads/{id}/looks/{lookId}', {
          params: { path: { id: look.beadId, lookId: look.id } },
          body: { evidence: look.evidence },
        }),
      ),
    onSuccess: async () => {
      onLooked();
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
}

/** Takes a bead off its coupon, with a way back. */
export function useWithdraw() {
  const queries = useQueryClient();
  const withdraw = useMutation({
    mutationFn: ({ bead, withdrawn }: { bead: Schemas['Bead']; withdrawn: boolean }) =>
      answer(
        api.PUT('/api/beads/{id}/withdrawn', { params: { path: { id: bead.id } }, body: { withdrawn } }),
      ),
    onSuccess: async (_, { bead, withdrawn }) => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      if (withdrawn) {
        offerUndo(bead.id, `Bead ${bead.number} is off the coupon.`, () =>
          withdraw.mutate({ bead, withdrawn: false }),
        );
      }
    },
    onError: tellTrouble,
  });
  return withdraw;
}
