import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

/** Trials on a sheet, and sweeps on a machine. */
export const trialQueries = {
  /** The trials set on a sheet, newest first. */
  ofSheet: (sheetId: string) =>
    queryOptions({
      queryKey: inRoom('trials', sheetId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/trials/of-sheet/{sheetId}', { params: { path: { sheetId } }, signal })),
      meta: { changedBy: by('bead') },
    }),
  /** One trial with its beads and what it has shown. */
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('trial', id),
      queryFn: ({ signal }) => answer(api.GET('/api/trials/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead') },
    }),
  /** The trial that runs on one's own newest sheet; null where there is none. */
  mine: () =>
    queryOptions({
      queryKey: inRoom('my-trial'),
      queryFn: async ({ signal }) =>
        (await answer<Schemas['MyTrial'] | undefined>(api.GET('/api/trials/mine', { signal }))) ?? null,
      meta: { changedBy: by('bead', 'sheet') },
    }),
  /** The sweeps run on a machine, newest first. */
  sweeps: (machineId: string) =>
    queryOptions({
      queryKey: inRoom('sweeps', machineId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sweeps/of-machine/{machineId}', { params: { path: { machineId } }, signal })),
      meta: { changedBy: by('machine') },
    }),
};
