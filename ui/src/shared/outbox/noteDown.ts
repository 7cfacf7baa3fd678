import { wrote } from '../live/ownWrites';
import { serverNow } from '../serverClock';
import { deliver, type Outcome, outcomeOf } from './deliver';
import type { Noter } from './noter';
import { type New, release } from './outbox';

// With gloves on nobody waits longer for an answer, ms.
const patience = 3_000;

/** What is noted: its body is given when it was noted, by the server's clock. */
export type Noted = Pick<New, 'id' | 'kind' | 'sheetId' | 'label' | 'path' | 'own'> & { body: object };

/**
 * Saves something on this screen first, then sends it. Gives the answer where the server takes it at once, null where it waits.
 * @throws Refused by the server while its student is still at the form: it is not kept then.
 */
export async function noteDown<Answer>(
  { body, ...noted }: Noted,
  noter: Noter | null,
): Promise<Answer | null> {
  if (!noter) throw new Error('Nobody is known to stand here.');
  wrote(noted.id);
  const notedAt = serverNow();
  const outcome = outcomeOf(noted.id);
  await release({
    ...noted,
    beadId: noted.id,
    body: JSON.stringify({ ...body, notedAt: new Date(notedAt).toISOString() }),
    ...noter,
    notedAt,
  });
  const sent = deliver(({ standing, who }) => standing !== null || who === noter.who);
  const waits = { waits: true } as const;
  const came: Outcome = await Promise.race([
    outcome,
    sent.then(() => waits),
    new Promise<typeof waits>((late) => setTimeout(() => late(waits), patience)),
  ]);
  if ('refused' in came) throw came.refused;
  return 'taken' in came ? (came.taken as Answer) : null;
}
