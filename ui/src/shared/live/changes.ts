import type { QueryClient, QueryKey } from '@tanstack/react-query';
import { isOwn } from './ownWrites';

/** Something changed in the room, as the server tells it: what kind of thing, where, whose, which. */
export interface Notice {
  kind: string;
  boothId: string | null;
  studentId: string | null;
  id?: string | null;
  beadId?: string | null;
}

/** What a query says of itself in its factory, so that a notice brings up what it changed and nothing else. */
export interface QueryMeta extends Record<string, unknown> {
  /** Whether a notice makes it old; one that says nothing is never brought up by a notice. */
  changedBy?: (notice: Notice) => boolean;
  /** Whether the answer of a write made here is put into it: its own notice then tells nothing new. */
  takesAnswers?: boolean;
  /** Whether it is what the person has in hand: brought up before lists and racks. */
  atHand?: boolean;
  /** Brings up only what a notice is about; undefined where everything has to be asked for again. */
  patch?: (notice: Notice, queries: QueryClient) => Promise<void> | undefined;
}

declare module '@tanstack/react-query' {
  interface Register {
    queryMeta: QueryMeta;
  }
}

/** Old after a change of one of these kinds. */
export const by =
  (...kinds: string[]) =>
  (notice: Notice) =>
    kinds.includes(notice.kind);

// A session begun or moved changes everything, and so the server speaks after a silence.
const everything = 'session';

/** Whether a query on screen may be old after a change. */
export function touches(notice: Notice, query: { meta?: QueryMeta | undefined }): boolean {
  const { changedBy, takesAnswers } = query.meta ?? {};
  if (changedBy === undefined) return false;
  if (takesAnswers && isOwn(notice.id)) return false;
  return notice.kind === everything || changedBy(notice);
}

/** The first part of every key of what the room changes. */
export const inRoom = (...key: QueryKey): QueryKey => ['room', ...key];
