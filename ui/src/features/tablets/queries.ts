import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import { hasLeft, rememberTablet } from './tablet';

// Whoever stood there has gone after a time untouched: nobody tells a screen of that.
const often = 60_000;

/** Tablets of booths. */
export const tabletQueries = {
  /** Every tablet that was not put away. */
  list: () =>
    queryOptions({
      queryKey: inRoom('tablets'),
      queryFn: ({ signal }) => answer(api.GET('/api/tablets', { signal })),
      meta: { changedBy: by('tablet', 'room') },
    }),
  /** The booth this very screen belongs to; null where it belongs to none. */
  booth: () =>
    queryOptions({
      queryKey: ['booth'],
      queryFn: async ({ signal }) => {
        const booth =
          (await answer<Schemas['BoothNow'] | undefined>(api.GET('/api/booth', { signal }))) ?? null;
        rememberTablet(booth !== null);
        if (!booth || !hasLeft(booth.standingId)) return booth;
        // They left while the server could not be told: it is told now.
        await answer(api.POST('/api/booth/leave', { signal }));
        return { ...booth, student: null, standingId: null, goodUntil: null };
      },
      refetchInterval: (query) => (query.state.data ? often : false),
      meta: { changedBy: by('tablet', 'place', 'floor', 'course') },
    }),
};
