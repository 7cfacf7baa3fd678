import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

/** The booths' stand-in devices. */
export const listeningQueries = {
  standIns: (boothId: string) =>
    queryOptions({
      queryKey: ['stand-ins', boothId],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/booths/{id}/stand-ins', { params: { path: { id: boothId } }, signal })),
    }),
};
