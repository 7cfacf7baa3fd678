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
  /** The path of a course. */
  path: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id, 'path'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/path', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course', 'exercise') },
    }),
  /** Where its students stand on it. */
  places: (id: string) =>
    queryOptions({
      queryKey: inRoom('courses', id, 'places'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/places', { params: { path: { id } }, signal })),
      meta: { changedBy: by('course', 'exercise', 'bead') },
    }),
  /** The courses of the student who is signed in, and where they stand. */
  mine: () =>
    queryOptions({
      queryKey: inRoom('courses', 'mine'),
      queryFn: ({ signal }) => answer(api.GET('/api/courses/mine', { signal })),
      meta: { changedBy: by('course', 'exercise', 'bead') },
    }),
  /** Every exercise of the school. */
  exercises: () =>
    queryOptions({
      queryKey: inRoom('exercises'),
      queryFn: ({ signal }) => answer(api.GET('/api/exercises', { signal })),
      meta: { changedBy: by('exercise') },
    }),
  /** One exercise, all of it. */
  exercise: (id: string) =>
    queryOptions({
      queryKey: inRoom('exercises', id),
      queryFn: ({ signal }) => answer(api.GET('/api/exercises/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('exercise') },
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
