import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

/** The calculators' forms. */
export const calculatorQueries = {
  forms: () =>
    queryOptions({
      queryKey: ['calculators'],
      queryFn: ({ signal }) => answer(api.GET('/api/calculators', { signal })),
      staleTime: Infinity,
    }),
};
