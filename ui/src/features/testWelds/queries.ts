import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** Test welds and what they are measured by. */
export const testWeldQueries = {
  /** A student's, newest first. */
  of: (studentId: string): ListOptions<Schemas['TestWeldLine'], string> => ({
    queryKey: inRoom('test-welds', studentId),
    page: (before, signal) =>
      answer(
        api.GET('/api/test-welds/of-student/{studentId}', {
          params: {
            path: { studentId },
            query: { before: before === undefined ? undefined : Number(before) },
          },
          signal,
        }),
      ),
    meta: { changedBy: by('test') },
  }),
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('test-weld', id),
      queryFn: ({ signal }) => answer(api.GET('/api/test-welds/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('test') },
    }),
  /** The sections measured on pictures of the sheet's beads. */
  sections: (id: string) =>
    queryOptions({
      queryKey: inRoom('test-sections', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/test-welds/{id}/sections', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead', 'test') },
    }),
  /** Names of the criteria sets. */
  criteria: () =>
    queryOptions({
      queryKey: ['criteria'],
      queryFn: ({ signal }) => answer(api.GET('/api/judging/criteria', { signal })),
      staleTime: Infinity,
    }),
};
