import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { usePages } from '../../shared/usePages';

/** A student's test welds, newest first. */
export const useTestWelds = (studentId: string) =>
  usePages<Schemas['TestWeldLine'], string>(['room', 'test-welds', studentId], (before, signal) =>
    answer(
      api.GET('/api/test-welds/of-student/{studentId}', {
        params: {
          path: { studentId },
          query: { before: before === undefined ? undefined : Number(before) },
        },
        signal,
      }),
    ),
  );

/** The sections measured on pictures of the sheet's beads. */
export const useSections = (id: string) =>
  useQuery({
    queryKey: ['room', 'test-sections', id],
    queryFn: ({ signal }) =>
      answer(api.GET('/api/test-welds/{id}/sections', { params: { path: { id } }, signal })),
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
