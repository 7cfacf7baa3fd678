import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';

/** A student's test welds, newest first. */
export const useTestWelds = (studentId: string) =>
  useQuery({
    queryKey: ['room', 'test-welds', studentId],
    queryFn: () =>
      answer(api.GET('/api/test-welds/of-student/{studentId}', { params: { path: { studentId } } })),
  });

/** One test weld. */
export const useTestWeld = (id: string) =>
  useQuery({
    queryKey: ['room', 'test-weld', id],
    queryFn: () => answer(api.GET('/api/test-welds/{id}', { params: { path: { id } } })),
  });

/** Names of the criteria sets. */
export const useCriteria = () =>
  useQuery({
    queryKey: ['criteria'],
    queryFn: () => answer(api.GET('/api/judging/criteria')),
    staleTime: Infinity,
  });

/** One of the writes on a test weld; every screen sees it at once. */
export function useTestWrite<T>(
  write: (given: T) => Promise<Schemas['TestWeldView']>,
  onDone?: (view: Schemas['TestWeldView']) => void,
) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async (view) => {
      onDone?.(view);
      await queries.invalidateQueries({ queryKey: ['room'] });
    },
  });
}
