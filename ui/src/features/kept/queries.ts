import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

export interface Sought {
  machineId?: string | undefined;
  thickness?: string | undefined;
  joint?: string | undefined;
}

/** Settings that were kept. */
export const keptQueries = {
  /** Found by job, newest first. */
  found: (sought: Sought): ListOptions<Schemas['KeptView'], string> => ({
    queryKey: inRoom('kept', sought),
    page: (before, signal) =>
      answer(
        api.GET('/api/kept', {
          params: {
            query: {
              machineId: sought.machineId || undefined,
              thickness: sought.thickness || undefined,
              joint: sought.joint || undefined,
              before: before === undefined ? undefined : Number(before),
            },
          },
          signal,
        }),
      ),
    // Where the machine stood last comes with its beads.
    meta: { changedBy: by('machine', 'bead') },
  }),
};
