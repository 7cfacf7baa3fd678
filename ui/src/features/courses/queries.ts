import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

/** Courses, who is on them, and their sessions. */
export const courseQueries = {
  list: (): ListOptions<Schemas['Course'], string> => ({
    queryKey: inRoom('courses'),
    page: (after, signal) => answer(api.GET('/api/courses', { params: { query: { after } }, signal })),
    meta: { changedBy: by('course') },
  }),
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id),
      queryFn: ({ signal }) => answer(api.GET('/api/courses/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course') },
    }),
  roster: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id, 'roster'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/roster', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course', 'attendance') },
    }),
  sessions: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id, 'sessions'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/sessions', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course', 'session') },
    }),
  /** What its days and hours come to, and which of those sessions are there already. */
  timetable: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id, 'timetable'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/timetable', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course', 'session') },
    }),
};
