import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

export type Terms = Schemas['KeepingTerms'];

/** What a school holds of somebody, how long it keeps what, and what forgetting would do. */
export const keepingQueries = {
  held: (id: string) =>
    queryOptions({
      queryKey: inRoom('keeping', 'held', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/held', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead', 'progress', 'sheet') },
    }),
  forgetting: (id: string) =>
    queryOptions({
      queryKey: inRoom('keeping', 'forgetting', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/forgetting', { params: { path: { id } }, signal })),
    }),
  terms: () =>
    queryOptions({
      queryKey: inRoom('keeping', 'terms'),
      queryFn: ({ signal }) => answer(api.GET('/api/keeping', { signal })),
    }),
  due: (terms: Terms) =>
    queryOptions({
      queryKey: inRoom('keeping', 'due', terms),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/keeping/due', {
            params: {
              // What is kept for ever is not asked for.
              query: Object.fromEntries(Object.entries(terms).filter(([, months]) => months !== null)),
            },
            signal,
          }),
        ),
    }),
};
