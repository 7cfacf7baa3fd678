import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** Who is here. */
export const peopleQueries = {
  /** What the sign-in screen knows before anybody has signed in. */
  welcome: () =>
    queryOptions({
      queryKey: ['welcome'],
      queryFn: ({ signal }) => answer(api.GET('/api/people/welcome', { signal })),
    }),
  /** Students by name; those whose names hold what is called, where something is; or those who are switched off. */
  students: (called = '', off = false): ListOptions<Schemas['PersonName'], string> => ({
    queryKey: inRoom('students', called, off),
    page: (after, signal) =>
      answer(
        api.GET('/api/people/students', {
          params: { query: { after, called: called || undefined, off: off || undefined } },
          signal,
        }),
      ),
  }),
  /** One account. */
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('person', id),
      queryFn: ({ signal }) => answer(api.GET('/api/people/{id}', { params: { path: { id } }, signal })),
    }),
  /** Who did what, newest first. */
  trail: (): ListOptions<Schemas['TrailEntry'], string> => ({
    queryKey: ['trail'],
    page: (before, signal) =>
      answer(
        api.GET('/api/trail', {
          params: { query: { before: before === undefined ? undefined : Number(before) } },
          signal,
        }),
      ),
  }),
  /** The school's name and clock. */
  school: () =>
    queryOptions({
      queryKey: inRoom('school'),
      queryFn: ({ signal }) => answer(api.GET('/api/school', { signal })),
    }),
  /** The zones a clock can keep. */
  timeZones: () =>
    queryOptions({
      queryKey: ['time-zones'],
      queryFn: ({ signal }) => answer(api.GET('/api/school/time-zones', { signal })),
      staleTime: Infinity,
    }),
  /** Those who teach here, or those of them who are switched off. */
  instructors: (off = false) =>
    queryOptions({
      queryKey: inRoom('instructors', off),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/people/instructors', { params: { query: { off } }, signal })),
    }),
  /** Whether the one who is signed in has a PIN. */
  pin: () =>
    queryOptions({
      queryKey: ['pin'],
      queryFn: ({ signal }) => answer(api.GET('/api/people/me/pin', { signal })),
    }),
  /** The way the one who is signed in sets. */
  wayOfSetting: () =>
    queryOptions({
      queryKey: ['way-of-setting'],
      queryFn: ({ signal }) => answer(api.GET('/api/people/me/way-of-setting', { signal })),
    }),
};
