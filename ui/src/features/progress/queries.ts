import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

type Kind = Schemas['KindOfWork'];

/** What a student can weld, how they got there, what they set out to do, and what is kept in mind of them. */
export const progressQueries = {
  skills: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', id, 'skills'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/skills', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead', 'test') },
    }),
  curve: (id: string, { process, joint, position }: Kind) =>
    queryOptions({
      queryKey: inRoom('progress', id, 'curve', process, joint, position),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/students/{id}/skills/curve', {
            params: { path: { id }, query: { process, joint, position } },
            signal,
          }),
        ),
      meta: { changedBy: by('bead') },
    }),
  of: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/progress', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead', 'attendance') },
    }),
  /** A student's beads over time, newest first. */
  strip: (id: string): ListOptions<Schemas['StripBead'], string> => ({
    queryKey: inRoom('progress', id, 'strip'),
    page: (before, signal) =>
      answer(
        api.GET('/api/students/{id}/strip', {
          params: { path: { id }, query: before === undefined ? {} : { before: Number(before) } },
          signal,
        }),
      ),
    meta: { changedBy: by('bead') },
  }),
  /** Two beads beside each other. */
  beside: (id: string, otherId: string) =>
    queryOptions({
      queryKey: inRoom('progress', 'beside', id, otherId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/beads/{id}/beside/{otherId}', { params: { path: { id, otherId } }, signal })),
      meta: { changedBy: by('bead') },
    }),
  /** A course at a glance. */
  course: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', 'course', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/courses/{id}/progress', { params: { path: { id } }, signal })),
      meta: { changedBy: by('bead', 'course', 'exercise', 'test') },
    }),
  /** How far instructors agree among themselves. */
  amongInstructors: () =>
    queryOptions({
      queryKey: inRoom('progress', 'among instructors'),
      queryFn: ({ signal }) => answer(api.GET('/api/judging/among-instructors', { signal })),
      meta: { changedBy: by('bead', 'test') },
    }),
  goals: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', id, 'goals'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/goals', { params: { path: { id } }, signal })),
      meta: { changedBy: by('progress') },
    }),
  /** What they brought from other schools. */
  logbooks: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', id, 'logbooks'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/logbooks', { params: { path: { id } }, signal })),
      meta: { changedBy: by('progress') },
    }),
  remarks: (id: string) =>
    queryOptions({
      queryKey: inRoom('progress', id, 'remarks'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/remarks', { params: { path: { id } }, signal })),
      meta: { changedBy: by('progress') },
    }),
};
