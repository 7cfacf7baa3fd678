import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

/** People and machines by any part of their names. */
export const searchQueries = {
  found: (called: string) =>
    queryOptions({
      queryKey: ['search', called],
      queryFn: ({ signal }) => answer(api.GET('/api/search', { params: { query: { called } }, signal })),
      enabled: called !== '',
      placeholderData: keepPreviousData,
      staleTime: 60_000,
    }),
};
