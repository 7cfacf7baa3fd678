import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

/** The school's rooms, and the booths in them. */
export const roomQueries = {
  list: () =>
    queryOptions({
      queryKey: inRoom('rooms'),
      queryFn: ({ signal }) => answer(api.GET('/api/rooms', { signal })),
      meta: { changedBy: by('room') },
    }),
  /** One room with its booths and the machines in them. */
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('rooms', id),
      queryFn: ({ signal }) => answer(api.GET('/api/rooms/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('room', 'machine') },
    }),
};
