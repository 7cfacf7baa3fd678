import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import { tellTrouble } from '../../shared/notices';
import { useIds } from '../../shared/useIds';

/** Notes that an instructor was at a booth, and what they have to say of whoever stands there. */
export function useVisit(sessionId: string, boothId: string, onDone?: () => void) {
  const queries = useQueryClient();
  const ids = useIds();
  return useMutation({
    mutationFn: (body: { studentId: string; note: string }) =>
      answer(
        api.PUT('/api/sessions/{id}/booths/{boothId}/visits/{visitId}', {
          params: { path: { id: sessionId, boothId, visitId: ids.idOf(body) } },
          body,
        }),
      ),
    onSuccess: () => {
      ids.taken();
      onDone?.();
      return queries.invalidateQueries({ queryKey: inRoom() });
    },
    onError: tellTrouble,
  });
}
