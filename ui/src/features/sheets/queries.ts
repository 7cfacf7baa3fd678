import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import { everyPage } from '../../shared/usePages';

export type Job = Schemas['JobRequest'];

/** Where a sheet is for: a booth, and which of the machines in it. */
export interface SheetPlace {
  boothId: string;
  machineId: string;
}

/** Sheets worked out for a job, and jobs kept under a name. */
export const sheetQueries = {
  /** The sheet for a job, for whoever stands at the booth. */
  sheet: (job: Job, at: SheetPlace, sessionId: string) =>
    queryOptions({
      queryKey: inRoom('compute', at, sessionId, job),
      queryFn: ({ signal }) =>
        answer(api.POST('/api/sheets/compute', { body: { job, ...at, sessionId }, signal })),
      enabled: (job.thickness ?? '').trim() !== '',
      placeholderData: keepPreviousData,
      retry: false,
      staleTime: 60_000,
      // What beads teach comes with the next key; a sheet does not move under the hand.
      meta: { changedBy: by('place', 'machine') },
    }),
  /** The same for practice, away from any booth. */
  atNoBooth: (job: Job) =>
    queryOptions({
      queryKey: ['sheet', job],
      queryFn: ({ signal }) =>
        answer(api.POST('/api/sheets/compute', { body: { boothId: null, job }, signal })),
      placeholderData: keepPreviousData,
      retry: false,
      staleTime: Infinity,
    }),
  /** The same job with other wires and in other modes. */
  alternatives: (job: Job, at: SheetPlace) =>
    queryOptions({
      queryKey: inRoom('alternatives', at, job),
      queryFn: ({ signal }) => answer(api.POST('/api/sheets/alternatives', { body: { job, ...at }, signal })),
      meta: { changedBy: by('machine') },
    }),
  /** Named sheets. */
  presets: () =>
    queryOptions({
      queryKey: ['presets'],
      queryFn: ({ signal }) =>
        everyPage<Schemas['Preset'], string>((after) =>
          answer(api.GET('/api/presets', { params: { query: { after } }, signal })),
        ),
    }),
};
