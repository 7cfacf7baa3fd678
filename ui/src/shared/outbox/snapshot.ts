import { dehydrate, type DehydratedState, hydrate, type QueryClient } from '@tanstack/react-query';
import { outboxDb } from './db';

const key = 'screen';
// Not with every notice of a busy room, ms.
const pause = 2_000;
// What nobody has looked at for that long is no help: a term.
const oldest = 120 * 24 * 3_600_000;

interface Snapshot {
  at: number;
  state: DehydratedState;
}

/** Brings back what this screen showed last, where the server cannot be asked; of what booth it was only where it still is one's. */
export async function restore(queries: QueryClient, tablet: boolean) {
  try {
    const kept = (await (await outboxDb()).get('kept', key)) as Snapshot | undefined;
    if (kept && Date.now() - kept.at < oldest) {
      const still = kept.state.queries.filter(({ queryKey }) => tablet || queryKey[0] !== 'booth');
      hydrate(queries, { ...kept.state, queries: still });
      // Shown until the server answers, and asked for at once.
      await queries.invalidateQueries({ refetchType: 'none' });
    }
  } catch {
    // Without a store this screen starts empty, as it does without a network.
  }
}

/** Keeps what this screen shows, so that it can be shown without a network. */
export function keepSnapshot(queries: QueryClient) {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const write = async () => {
    waiting = undefined;
    const seen = dehydrate(queries, {
      shouldDehydrateQuery: ({ queryKey, state }) => state.data !== undefined && queryKey[0] !== 'code',
      shouldDehydrateMutation: () => false,
    });
    // What is there is there, though the last time it was asked for nobody answered. What a query says of itself comes with its code.
    const state: DehydratedState = {
      mutations: [],
      queries: seen.queries.map(({ queryKey, queryHash, dehydratedAt, state }) => ({
        queryKey,
        queryHash,
        dehydratedAt,
        state: { ...state, status: 'success', error: null, fetchMeta: null, fetchFailureReason: null },
      })),
    };
    await (await outboxDb()).put('kept', { at: Date.now(), state } satisfies Snapshot, key);
  };
  return queries.getQueryCache().subscribe((event) => {
    if (event.type === 'updated' || event.type === 'removed')
      waiting ??= setTimeout(() => void write().catch(reportError), pause);
  });
}

/** Forgets it: whoever was here has gone. */
export async function forgetSnapshot() {
  await (await outboxDb()).delete('kept', key);
}
