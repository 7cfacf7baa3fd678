import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** Drills and what came of them. */
export const practiceQueries = {
  /** How the one who is signed in stands. */
  mine: () =>
    queryOptions({
      queryKey: ['practice', 'mine'],
      queryFn: ({ signal }) => answer(api.GET('/api/practice/mine', { signal })),
    }),
  /** How everybody stands, by name. */
  students: (): ListOptions<Schemas['NamedProgress'], string> => ({
    queryKey: ['practice', 'students'],
    page: (after, signal) =>
      answer(api.GET('/api/practice/students', { params: { query: { after } }, signal })),
  }),
  /** What there is to hear, see and feel of a drill. */
  sight: (id: string) =>
    queryOptions({
      queryKey: ['drill-sight', id],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/drills/{id}/sight', { params: { path: { id } }, signal })),
      staleTime: Infinity,
    }),
  /** The recordings of a bead that were named for the drills. */
  named: (beadId: string) =>
    queryOptions({
      queryKey: inRoom('named', beadId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/beads/{id}/named-recordings', { params: { path: { id: beadId } }, signal })),
      meta: { changedBy: by('bead') },
    }),
};
