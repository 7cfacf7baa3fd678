import type { Schemas } from '../../shared/api/client';

type View = Schemas['BoothView'];

/** Booths as they need somebody: by the rank the server gave, among equals who has waited longest; by number while nobody is asked for. */
export const byNeed = (views: View[]): View[] =>
  [...views].sort(
    (one, other) =>
      rankOf(one) - rankOf(other) || sinceOf(one) - sinceOf(other) || one.booth.number - other.booth.number,
  );

const rankOf = ({ need }: View) => need?.rank ?? 0;
const sinceOf = ({ need }: View) => (need?.since ? new Date(need.since).getTime() : Number.MAX_SAFE_INTEGER);

/** The next moment at which a booth comes to need something with nothing done; undefined where none does. */
export function nextTurn(views: View[]): number | undefined {
  const turns = views.flatMap(({ need }) => (need?.until ? [new Date(need.until).getTime()] : []));
  return turns.length > 0 ? Math.min(...turns) : undefined;
}

/** How long ago something was, in words as short as they can be. */
export function ago(since: string, now: number): string {
  const minutes = Math.max(0, Math.floor((now - new Date(since).getTime()) / 60_000));
  if (minutes < 1) return 'now';
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/** What is left until a moment, as a clock on the wall would count it. */
export function left(until: string, now: number): string {
  const seconds = Math.max(0, Math.ceil((new Date(until).getTime() - now) / 1000));
  const minutes = Math.floor(seconds / 60);
  return minutes >= 10 ? `${minutes} min` : `${minutes}:${String(seconds % 60).padStart(2, '0')}`;
}
