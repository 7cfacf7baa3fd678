import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';

/** What the judge goes by in this room. */
export const judgingQueries = {
  /** How often it and the instructors agree, by aspect. */
  agreement: () =>
    queryOptions({
      queryKey: ['agreement'],
      queryFn: ({ signal }) => answer(api.GET('/api/judging/agreement', { signal })),
    }),
  /** What the room has taught it. */
  learned: () =>
    queryOptions({
      queryKey: ['learned'],
      queryFn: ({ signal }) => answer(api.GET('/api/judging/learned', { signal })),
    }),
  /** The room's own limits for practice beads. */
  tolerances: () =>
    queryOptions({
      queryKey: ['tolerances'],
      queryFn: ({ signal }) => answer(api.GET('/api/judging/tolerances', { signal })),
    }),
  /** What can be said to change next with a process. */
  ownKeys: (process: Schemas['Process'] = 'gmawShortCircuit') =>
    queryOptions({
      queryKey: ['own-keys', process],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/judging/own-keys/{process}', { params: { path: { process } }, signal })),
      staleTime: Infinity,
    }),
  /** Every cause a process can have. */
  causes: (process: Schemas['Process']) =>
    queryOptions({
      queryKey: ['causes', process],
      queryFn: ({ signal }) =>
        answer(api.GET('/api/judging/causes/{process}', { params: { path: { process } }, signal })),
      staleTime: Infinity,
    }),
};
