import { Button, Group } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, Refused, type Schemas } from '../../shared/api/client';

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
      if (!withdrawn) return;
      const note = `withdrawn-${bead.id}`;
      notifications.show({
        id: note,
        autoClose: 15_000,
        message: (
          <Group justify="space-between">
            Bead {bead.number} is off the coupon.
            <Button
              variant="default"
              onClick={() => {
                notifications.hide(note);
                withdraw.mutate({ bead, withdrawn: false });
              }}
            >
              Undo
            </Button>
          </Group>
        ),
      });
    },
    onError: (error) =>
      notifications.show({
        color: 'red',
        message: error instanceof Refused ? error.line : 'It could not be withdrawn.',
      }),
  });
  return withdraw;
}
