import { type QueryKey, useInfiniteQuery } from '@tanstack/react-query';
import type { QueryMeta } from './live/changes';

/** A page of a longer list, and what to ask for the next with. */
export interface PageOf<T, C> {
  items: T[];
  more: C | null;
}

/** A longer list: its key, how a page of it is asked for, and what makes it old. */
export interface ListOptions<T, C extends string | number, P extends PageOf<T, C> = PageOf<T, C>> {
  queryKey: QueryKey;
  page: (from: C | undefined, signal: AbortSignal) => Promise<P>;
  meta?: QueryMeta;
}

/** A list that comes page by page; all that has come so far in one. */
export function usePages<T, C extends string | number, P extends PageOf<T, C> = PageOf<T, C>>(
  list: ListOptions<T, C, P>,
) {
  const pages = useInfiniteQuery({
    queryKey: list.queryKey,
    queryFn: ({ pageParam, signal }) => list.page(pageParam as C | undefined, signal),
    initialPageParam: undefined as C | undefined,
    getNextPageParam: (last) => last.more ?? undefined,
    ...(list.meta ? { meta: list.meta } : {}),
  });
  return {
    first: pages.data?.pages[0],
    /** What has come so far, as Loaded takes it. */
    data: pages.data?.pages.flatMap((page) => page.items),
    error: pages.error,
    again: () => void pages.refetch(),
    more: pages.hasNextPage ? () => void pages.fetchNextPage() : undefined,
    coming: pages.isFetchingNextPage,
  };
}

/** Every item of a list that is short by nature: the pages come one after the other. */
export async function everyPage<T, C extends string | number>(
  fetchPage: (from: C | undefined) => Promise<PageOf<T, C>>,
): Promise<T[]> {
  const all: T[] = [];
  let from: C | undefined;
  do {
    const page: PageOf<T, C> = await fetchPage(from);
    all.push(...page.items);
    from = page.more ?? undefined;
  } while (from !== undefined);
  return all;
}
