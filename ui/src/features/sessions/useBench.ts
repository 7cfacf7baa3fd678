import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';

/** The room in its newest session. */
export const useRoom = () =>
  useQuery({ queryKey: ['room', 'newest'], queryFn: () => answer(api.GET('/api/sessions/newest')) });

/** One booth up close, in the newest session. */
export function useBench(boothId: string) {
  const room = useRoom();
  const sessionId = room.data?.session?.id;
  const bench = useQuery({
    queryKey: ['room', 'bench', sessionId, boothId],
    queryFn: () =>
      answer(
        api.GET('/api/sessions/{id}/booths/{boothId}', {
          params: { path: { id: sessionId ?? '', boothId } },
        }),
      ),
    enabled: sessionId !== undefined,
  });
  return room.isError
    ? { ...bench, isError: true as const, error: room.error, isPending: false, data: undefined }
    : bench;
}
