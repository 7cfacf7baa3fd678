import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';

const often = 30_000;

/** How Gentle Bead itself runs. Nobody tells when a disk fills or a backup fails: it is looked at anew while it is on screen. */
export const runningQueries = {
  now: () =>
    queryOptions({
      queryKey: inRoom('running'),
      queryFn: ({ signal }) => answer(api.GET('/api/running', { signal })),
      refetchInterval: often,
    }),
};
