import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { by, inRoom, type Notice } from '../../shared/live/changes';

/** Pre-start and close-down lists. */
export const checkQueries = {
  /** A booth's in a session. */
  of: (sessionId: string, boothId: string) =>
    queryOptions({
      queryKey: inRoom('checks', sessionId, boothId),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/sessions/{id}/booths/{boothId}/checks', {
            params: { path: { id: sessionId, boothId } },
            signal,
          }),
        ),
      meta: {
        changedBy: (notice: Notice) =>
          by('check', 'sheet', 'machine')(notice) && (notice.boothId === null || notice.boothId === boothId),
      },
    }),
};
