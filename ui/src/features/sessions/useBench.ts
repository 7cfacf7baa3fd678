import { useQuery } from '@tanstack/react-query';
import { benchQueries, sessionQueries } from './queries';

/** The session that is on, and who stands where. */
export const useNow = () => useQuery(sessionQueries.now());

/** One booth up close, in the session that is on. */
export function useBench(boothId: string) {
  const now = useNow();
  const sessionId = now.data?.session?.id;
  const bench = useQuery({
    ...benchQueries.bench(sessionId ?? '', boothId),
    enabled: sessionId !== undefined,
  });
  // Before the session is known there is no booth to ask for.
  return sessionId === undefined
    ? { data: undefined, error: now.error, again: () => void now.refetch() }
    : { data: bench.data, error: bench.error, again: () => void bench.refetch() };
}
