import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

export interface Months {
  from: string;
  until: string;
}

/** What a room costs and gives, and what things cost. */
export const costQueries = {
  of: (months: Months) =>
    queryOptions({
      queryKey: inRoom('costs', months),
      queryFn: ({ signal }) => answer(api.GET('/api/costs', { params: { query: months }, signal })),
      meta: { changedBy: by('bead', 'machine') },
    }),
  prices: () =>
    queryOptions({
      queryKey: inRoom('costs', 'prices'),
      queryFn: ({ signal }) => answer(api.GET('/api/costs/prices', { signal })),
    }),
};
