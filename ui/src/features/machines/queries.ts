import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** The machines and what is known of them. */
export const machineQueries = {
  /** Every machine with its booth. */
  list: (): ListOptions<Schemas['MachineInBooth'], string> => ({
    queryKey: inRoom('machines'),
    page: (after, signal) =>
      answer(
        api.GET('/api/machines', {
          params: { query: { after } },
          signal,
        }),
      ),
    meta: { changedBy: by('machine', 'room') },
  }),
  /** Everything known of one. */
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('machine', id),
      queryFn: ({ signal }) => answer(api.GET('/api/machines/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('machine', 'room') },
    }),
  /** Where one stands and stood. */
  moves: (id: string) =>
    queryOptions({
      queryKey: inRoom('moves', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/machines/{id}/moves', { params: { path: { id } }, signal })),
      meta: { changedBy: by('machine', 'room') },
    }),
  /** What a mark gives, or which mark gives a value. */
  translation: (id: string, query: { control: string; mark?: number; value?: number }) =>
    queryOptions({
      queryKey: inRoom('translation', id, query),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/machines/{id}/translation', { params: { path: { id }, query }, signal })),
      retry: false,
      meta: { changedBy: by('machine') },
    }),
};
