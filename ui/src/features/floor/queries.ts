import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

/** The floor of a session that is on, a student's own hand, and whether everything is stopped. */
export const floorQueries = {
  /** The session's clock: its stretches, the slot that was begun, how it was closed. */
  now: (sessionId: string) =>
    queryOptions({
      queryKey: inRoom('floor', sessionId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/floor', { params: { path: { id: sessionId } }, signal })),
      meta: { changedBy: (notice) => by('plan')(notice) || (by('floor')(notice) && notice.boothId === null) },
    }),
  /** What somebody could go on with at a booth. */
  next: (sessionId: string, studentId: string, booth: string) =>
    queryOptions({
      queryKey: inRoom('floor', sessionId, 'next', studentId, booth),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/sessions/{id}/students/{studentId}/next', {
            params: { path: { id: sessionId, studentId }, query: { booth } },
            signal,
          }),
        ),
      meta: { changedBy: by('bead', 'sheet', 'machine', 'course', 'exercise') },
    }),
  notes: (sessionId: string) =>
    queryOptions({
      queryKey: inRoom('floor', sessionId, 'notes'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/notes', { params: { path: { id: sessionId } }, signal })),
      meta: { changedBy: by('floor') },
    }),
  notesOf: (studentId: string) =>
    queryOptions({
      queryKey: inRoom('floor', 'notes', studentId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/students/{id}/notes', { params: { path: { id: studentId } }, signal })),
      meta: { changedBy: by('floor') },
    }),
  close: (sessionId: string) =>
    queryOptions({
      queryKey: inRoom('floor', sessionId, 'close'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/close', { params: { path: { id: sessionId } }, signal })),
      meta: { changedBy: by('floor', 'check', 'machine', 'sheet') },
    }),
  hand: () =>
    queryOptions({
      queryKey: inRoom('hand'),
      queryFn: ({ signal }) => answer(api.GET('/api/hands/mine', { signal })),
      meta: { changedBy: by('floor', 'place'), atHand: true },
    }),
  stop: () =>
    queryOptions({
      queryKey: inRoom('stop'),
      queryFn: ({ signal }) => answer(api.GET('/api/stop', { signal })),
      meta: { changedBy: by('stop'), atHand: true },
    }),
};
