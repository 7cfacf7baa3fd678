import { passing, Refused, refusalOf } from '../api/client';
import { hearClock } from '../serverClock';
import type { Waiting } from './db';
import { first, note, sent, takeBack } from './outbox';

/** What came of something that was sent while whoever noted it still looks on. */
export type Outcome = { taken: unknown } | { refused: Refused } | { waits: true };

const onlookers = new Map<string, (outcome: Outcome) => void>();

/** What comes of an entry: its answer, its refusal, or that it waits. */
export const outcomeOf = (id: string) =>
  new Promise<Outcome>((come) => {
    onlookers.set(id, come);
  });

function tell(id: string, outcome: Outcome) {
  onlookers.get(id)?.(outcome);
  onlookers.delete(id);
}

// What kind it is says how long to wait for an answer, ms: a picture over a slow network takes its time; a server that is gone says nothing
// at all. A bead that waited goes where what cannot be recorded any more is kept for an instructor.
const kinds: Record<Waiting['kind'], { patience: number; form: boolean; kept?: string }> = {
  bead: { patience: 8_000, form: true, kept: '/waited' },
  sweep: { patience: 8_000, form: true },
  picture: { patience: 60_000, form: false },
  recording: { patience: 120_000, form: false },
};

// What breaks the server every time would keep all that is behind it.
const mostBroken = 5;
const later = new Set([401, 408, 425, 429, ...passing]);

/** Sends one thing; says whether the next can follow. */
async function send(one: Waiting): Promise<boolean> {
  const { patience, form, kept } = kinds[one.kind];
  const path = one.waited && kept ? `${one.path}${kept}` : one.path;
  let answered: Response;
  let body: unknown;
  try {
    answered = await fetch(path, {
      method: 'PUT',
      headers: {
        'Content-Type': form ? 'application/json' : 'application/octet-stream',
        ...(one.standing && { 'Gentle-Bead-Standing': one.standing }),
      },
      body: one.body,
      signal: AbortSignal.timeout(patience),
    });
    hearClock(answered.headers.get('date'));
    body = await answered.json().catch(() => undefined);
  } catch {
    await note(one, { waited: true });
    tell(one.id, { waits: true });
    return false;
  }
  if (answered.ok) {
    await sent(one);
    tell(one.id, { taken: body });
    return true;
  }
  const broke = answered.status >= 500 ? one.broke + 1 : one.broke;
  if (later.has(answered.status) || (answered.status >= 500 && broke < mostBroken)) {
    await note(one, { waited: true, broke });
    tell(one.id, { waits: true });
    return false;
  }
  const refused = refusalOf(answered.status, body, 'It was not taken.');
  if (form && !one.waited && onlookers.has(one.id)) {
    await takeBack(one);
    tell(one.id, { refused });
    return true;
  }
  await note(one, kept && !one.waited ? { waited: true } : { stuck: refused.message, broke });
  tell(one.id, { waits: true });
  return true;
}

let running: Promise<void> | undefined;
let again = false;

/** Sends what waits, in order, one after another, until nothing waits or the server does not answer. */
export function deliver(may: (one: Waiting) => boolean = () => true): Promise<void> {
  if (running) {
    again = true;
    return running;
  }
  const run = async () => {
    for (;;) {
      const one = await first(may);
      if (!one || !(await send(one))) return;
    }
  };
  // Two tabs of one browser take turns.
  const turn = async () => {
    const { locks } = navigator as Partial<Pick<Navigator, 'locks'>>;
    await (locks ? locks.request('gentle-bead-outbox', run) : run());
  };
  running = turn().finally(() => {
    running = undefined;
    // What was put in while the last was on its way.
    if (again) {
      again = false;
      void deliver(may);
    }
  });
  return running;
}
