import { useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../shared/api/client';

/** The session that is on, and who stands where: enough to find one's way. */
export const useNow = () =>
  useQuery({
    queryKey: ['room', 'now'],
    queryFn: ({ signal }) => answer(api.GET('/api/sessions/now', { signal })),
  });

/** Tonight's room, every booth of it: the pages come one after the other. */
export const useRoom = () =>
  useQuery({
    queryKey: ['room', 'tonight'],
    queryFn: async ({ signal }): Promise<Schemas['RoomView']> => {
      let after: number | undefined;
      let room: Schemas['RoomView'] | undefined;
      do {
        const page: Schemas['RoomView'] = await answer(
          api.GET('/api/sessions/tonight', { params: { query: { after } }, signal }),
        );
        room = room ? { ...room, booths: [...room.booths, ...page.booths] } : page;
        after = page.moreBooths ?? undefined;
      } while (after !== undefined);
      return room;
    },
  });

/** The key of a booth's bench. */
export const benchKey = (sessionId: string | undefined, boothId: string) =>
  ['room', 'bench', sessionId, boothId] as const;

/** One booth up close, in the session that is on. */
export function useBench(boothId: string) {
  const now = useNow();
  const sessionId = now.data?.session?.id;
  const bench = useQuery({
    queryKey: benchKey(sessionId, boothId),
    queryFn: ({ signal }) =>
      answer(
        api.GET('/api/sessions/{id}/booths/{boothId}', {
          params: { path: { id: sessionId ?? '', boothId } },
          signal,
        }),
      ),
    enabled: sessionId !== undefined,
  });
  return now.isLoadingError
    ? { ...bench, isLoadingError: true as const, error: now.error, isPending: false, data: undefined }
    : bench;
}
