import { Button } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { tellTrouble } from '../../shared/notices';

/** Puts everybody where they stood in the session before. */
export default function AsLast({ sessionId }: { sessionId: string }) {
  const queries = useQueryClient();
  const put = useMutation({
    mutationFn: () =>
      answer(api.PUT('/api/sessions/{id}/places/as-last', { params: { path: { id: sessionId } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: inRoom() }),
    onError: tellTrouble,
  });
  return (
    <Button loading={put.isPending} onClick={() => put.mutate()}>
      Everybody as last time
    </Button>
  );
}
