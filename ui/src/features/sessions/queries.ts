import { keepPreviousData, type QueryClient, queryOptions } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';
import { by, inRoom, type Notice } from '../../shared/live/changes';
import type { ListOptions } from '../../shared/usePages';
import { chosenSession } from './chosen';

type Room = Schemas['RoomView'];

/** Sessions, and who stands where in them. */
export const sessionQueries = {
  list: (): ListOptions<Schemas['Session'], string> => ({
    queryKey: inRoom('sessions'),
    page: (after, signal) => answer(api.GET('/api/sessions', { params: { query: { after } }, signal })),
    meta: { changedBy: by('session') },
  }),
  /** The session that is on, and who stands where: enough to find one's way. */
  now: () =>
    queryOptions({
      queryKey: inRoom('now'),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/now', { params: { query: { session: chosenSession() } }, signal })),
      meta: { changedBy: by('place', 'machine', 'room') },
    }),
  /** One session, whenever it is. */
  one: (id: string) =>
    queryOptions({
      queryKey: inRoom('sessions', 'one', id),
      queryFn: ({ signal }) => answer(api.GET('/api/sessions/{id}', { params: { path: { id } }, signal })),
      meta: { changedBy: by('session') },
    }),
  /** The sessions that begin between two days. */
  between: (first: string, last: string) =>
    queryOptions({
      queryKey: inRoom('sessions', 'between', first, last),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/between', { params: { query: { first, last } }, signal })),
      placeholderData: keepPreviousData,
      meta: { changedBy: by('session') },
    }),
  /** Everybody of a session, whether they came, and what they did in it. */
  students: (id: string) =>
    queryOptions({
      queryKey: inRoom('sessions', 'students', id),
      queryFn: ({ signal }) =>
        answer(api.GET('/api/sessions/{id}/students', { params: { path: { id } }, signal })),
      meta: { changedBy: by('attendance', 'place', 'course', 'sheet', 'bead') },
    }),
};

/** The room's booths, together and one by one. */
export const benchQueries = {
  /** Tonight's room, every booth of it: the pages come one after the other. */
  tonight: () =>
    queryOptions({
      queryKey: inRoom('tonight'),
      queryFn: async ({ signal }): Promise<Room> => {
        let after: number | undefined;
        let room: Room | undefined;
        do {
          const page: Room = await answer(
            api.GET('/api/sessions/tonight', {
              params: { query: { after, session: chosenSession() } },
              signal,
            }),
          );
          room = room ? { ...room, booths: [...room.booths, ...page.booths] } : page;
          after = page.moreBooths ?? undefined;
        } while (after !== undefined);
        return room;
      },
      meta: {
        changedBy: by('place', 'sheet', 'bead', 'floor', 'machine', 'room', 'attendance', 'course'),
        atHand: true,
        patch: bringUpBooth,
      },
    }),
  /** One booth up close. */
  bench: (sessionId: string, boothId: string) =>
    queryOptions({
      queryKey: inRoom('bench', sessionId, boothId),
      queryFn: ({ signal }) =>
        answer(
          api.GET('/api/sessions/{id}/booths/{boothId}', {
            params: { path: { id: sessionId, boothId } },
            signal,
          }),
        ),
      meta: {
        changedBy: (notice: Notice) =>
          by('place', 'sheet', 'bead', 'machine')(notice) &&
          (notice.boothId === null || notice.boothId === boothId),
        takesAnswers: true,
        atHand: true,
      },
    }),
};

// A bead or a sheet changes one booth of the room, and that one is asked for.
function bringUpBooth(notice: Notice, queries: QueryClient): Promise<void> | undefined {
  const queryKey = inRoom('tonight');
  const session = queries.getQueryData<Room>(queryKey)?.session;
  const { boothId } = notice;
  if (!session || !boothId || !by('sheet', 'bead', 'floor')(notice)) return undefined;
  const id = session.id;
  return answer(
    api.GET('/api/sessions/{id}/booths/{boothId}/view', { params: { path: { id, boothId } } }),
  ).then(
    (view) => {
      queries.setQueryData<Room>(queryKey, (room) =>
        room?.session?.id === id
          ? { ...room, booths: room.booths.map((one) => (one.booth.id === boothId ? view : one)) }
          : room,
      );
    },
    // What one booth did not answer, the room is asked for.
    () => queries.invalidateQueries({ queryKey }),
  );
}
