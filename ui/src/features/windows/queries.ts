import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** What the room has found. */
export const windowQueries = {
  /** A machine's own smooth band for each wire and gas. */
  of: (machineId: string): ListOptions<Schemas['WindowView'], string> => ({
    queryKey: inRoom('windows', machineId),
    page: (after, signal) =>
      answer(
        api.GET('/api/windows/{machineId}', { params: { path: { machineId }, query: { after } }, signal }),
      ),
    meta: { changedBy: by('bead', 'machine') },
  }),
};
