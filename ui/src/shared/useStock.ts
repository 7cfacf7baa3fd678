import { useQuery } from '@tanstack/react-query';
import { answer, api } from './api/client';

/** Wires and gases by name. */
export const useStock = () =>
  useQuery({
    queryKey: ['stock'],
    queryFn: ({ signal }) => answer(api.GET('/api/sheets/stock', { signal })),
    staleTime: Infinity,
  });
