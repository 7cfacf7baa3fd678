import { queryOptions } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { by, inRoom } from '../../shared/live/changes';

/** Plans of sessions, and what there is to weld with. */
export const planQueries = {
  board: (sessionId: string) =>
    queryOptions({
      queryKey: inRoom('plans', sessionId),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/plan', { params: { path: { id: sessionId } }, signal })),
      meta: { changedBy: by('plan', 'course', 'exercise', 'attendance', 'machine', 'room', 'bead') },
    }),
  /** Why a student stands at a booth in a slot, or why not, as the plan is in an edition. */
  why: (sessionId: string, edition: number, student: string, slot: number, booth: string) =>
    queryOptions({
      queryKey: inRoom('plans', sessionId, 'why', edition, student, slot, booth),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/sessions/{id}/plan/why', {
            params: { path: { id: sessionId }, query: { student, slot, booth } },
            signal,
          }),
        ),
    }),
  /** What to load, wire, gas, and what to cut from what. */
  lists: (sessionId: string) =>
    queryOptions({
      queryKey: inRoom('plans', sessionId, 'lists'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/plan/lists', { params: { path: { id: sessionId } }, signal })),
      meta: { changedBy: by('plan', 'machine') },
    }),
  /** The next plans of the student who is signed in. */
  mine: () =>
    queryOptions({
      queryKey: inRoom('plans', 'mine'),
      queryFn: ({ signal }) => answer(api.GET('/api/plans/mine', { signal })),
      meta: { changedBy: by('plan', 'course', 'exercise', 'machine', 'room') },
    }),
  stock: () =>
    queryOptions({
      queryKey: inRoom('stock'),
      queryFn: ({ signal }) => answer(api.GET('/api/stock', { signal })),
      meta: { changedBy: by('plan') },
    }),
};
