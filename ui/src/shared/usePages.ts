import { type QueryKey, useInfiniteQuery } from '@tanstack/react-query';

/** A page of a longer list, and what to ask for the next with. */
export interface PageOf<T, C> {
  items: T[];
  more: C | null;
}

/** A list that comes page by page; all that has come so far in one. */
export function usePages<T, C extends string | number, P extends PageOf<T, C> = PageOf<T, C>>(
  queryKey: QueryKey,
  fetchPage: (from: C | undefined, signal: AbortSignal) => Promise<P>,
) {
  const pages = useInfiniteQuery({
    queryKey,
    queryFn: ({ pageParam, signal }) => fetchPage(pageParam as C | undefined, signal),
    initialPageParam: undefined as C | undefined,
    getNextPageParam: (last) => last.more ?? undefined,
  });
  return {
    first: pages.data?.pages[0],
    items: pages.data?.pages.flatMap((page) => page.items),
    error: pages.error,
    // A list that is there stays, when asking again fails.
    isLoadingError: pages.isLoadingError,
    again: () => void pages.refetch(),
    more: pages.hasNextPage ? () => void pages.fetchNextPage() : undefined,
    coming: pages.isFetchingNextPage,
  };
}
