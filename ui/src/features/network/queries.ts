import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

/** How the shop's network reaches this server. */
export const networkQueries = {
  now: () =>
    queryOptions({
      queryKey: ['network'],
      queryFn: ({ signal }) => answer(api.GET('/api/network', { signal })),
    }),
};
