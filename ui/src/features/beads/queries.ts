import { queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom, type Notice } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';

type Rack = Schemas['Rack'];

/** A page of a student's coupons; every page says whose they are. */
export interface RackPage {
  items: Rack['coupons'];
  more: number | null;
  student: Rack['student'];
  hand: Rack['hand'];
}

/** Beads, and the coupons they lie on. */
export const beadQueries = {
  /** Everything kept of one bead. */
  file: (id: string) =>
    queryOptions({
      queryKey: inRoom('bead-file', id),
      queryFn: ({ signal }) => answer(api.GET('/api/beads/{id}/file', { params: { path: { id } }, signal })),
      meta: {
        changedBy: (notice: Notice) => by('bead')(notice) && (!notice.beadId || notice.beadId === id),
        takesAnswers: true,
      },
    }),
  /** Somebody's own word on a bead beside the tool's; null where they said none. */
  own: (id: string) =>
    queryOptions({
      queryKey: inRoom('own-word', id),
      queryFn: async ({ signal }) =>
        (await answer<Schemas['OwnSaid'] | undefined>(
          api.GET('/api/beads/{id}/own', { params: { path: { id } }, signal }),
        )) ?? null,
      meta: { changedBy: (notice: Notice) => by('bead')(notice) && (!notice.beadId || notice.beadId === id) },
    }),
  /** Beads that waited for the network and are for an instructor to place. */
  unplaced: () =>
    queryOptions({
      queryKey: inRoom('unplaced'),
      queryFn: ({ signal }) => answer(api.GET('/api/beads/unplaced', { signal })),
      meta: { changedBy: by('unplaced') },
    }),
  /** The section that a metal and thickness ask for. */
  sectionHelp: (metal: Schemas['Metal'], thin: boolean) =>
    queryOptions({
      queryKey: ['section', metal, thin],
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/judging/section/{metal}', { params: { path: { metal }, query: { thin } }, signal }),
        ),
      staleTime: Infinity,
    }),
  /** A student's coupons, newest first. */
  rack: (studentId: string): ListOptions<Rack['coupons'][number], number, RackPage> => ({
    queryKey: inRoom('rack', studentId),
    page: async (before, signal) => {
      const { coupons, more, student, hand } = await answer(
        api.GET('/api/sheets/rack/{studentId}', {
          params: { path: { studentId }, query: { before } },
          signal,
        }),
      );
      return { items: coupons, more, student, hand };
    },
    meta: {
      changedBy: (notice: Notice) =>
        by('sheet', 'bead', 'place')(notice) && (notice.studentId === null || notice.studentId === studentId),
    },
  }),
  /** What the one who is signed in works on. */
  mine: () =>
    queryOptions({
      queryKey: inRoom('mine'),
      queryFn: ({ signal }) => answer(api.GET('/api/sheets/mine', { signal })),
      meta: { changedBy: by('place', 'sheet', 'bead', 'machine'), atHand: true },
    }),
};
