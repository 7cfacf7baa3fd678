import { outboxDb, type Waiting } from './db';

/** What is put in; its place and its state come by themselves. */
export type New = Pick<
  Waiting,
  'id' | 'kind' | 'beadId' | 'sheetId' | 'label' | 'path' | 'body' | 'who' | 'standing' | 'notedAt' | 'own'
>;

const fresh = { waited: false, broke: 0, stuck: null };
const bell = new EventTarget();

/** Tells of every change of what waits. */
export function onOutbox(listen: () => void) {
  bell.addEventListener('changed', listen);
  return () => bell.removeEventListener('changed', listen);
}

// Told as kept once it is on the disk: a tablet's battery may be pulled in the next moment.
const written = { durability: 'strict' } as const;

const changed = () => bell.dispatchEvent(new Event('changed'));

// The key is left out: the store gives the next.
const added = (entry: Omit<Waiting, 'seq'>) => entry as Waiting;

/** Keeps a picture or a recording of a bead that is still being noted. One with the same id takes its place. */
export async function hold(entry: New) {
  const db = await outboxDb();
  const change = db.transaction('waiting', 'readwrite', written);
  for (const one of await change.store.index('bead').getAll(entry.beadId))
    if (one.id === entry.id) await change.store.delete(one.seq);
  await change.store.add(added({ ...entry, ...fresh, held: true }));
  await change.done;
  changed();
}

/** Puts a bead or a sweep in, and behind it what was held for it: all of it or nothing. */
export async function release(bead: New) {
  const db = await outboxDb();
  const change = db.transaction('waiting', 'readwrite', written);
  const held = await change.store.index('bead').getAll(bead.beadId);
  const again = held.find((one) => one.id === bead.id);
  if (again) await change.store.delete(again.seq);
  await change.store.add(added({ ...bead, ...fresh, held: false }));
  for (const { seq, ...file } of held.filter((one) => one.id !== bead.id)) {
    await change.store.delete(seq);
    await change.store.add(added({ ...file, held: false }));
  }
  await change.done;
  changed();
}

/** Takes back what was refused while its student is still at the form: a bead's pictures and sound are held again. */
export async function takeBack({ id, beadId }: Waiting) {
  const db = await outboxDb();
  const change = db.transaction('waiting', 'readwrite', written);
  for (const one of await change.store.index('bead').getAll(beadId)) {
    if (one.id === id) await change.store.delete(one.seq);
    else await change.store.put({ ...one, held: true });
  }
  await change.done;
  changed();
}

/** Throws away what was held under an id. */
export async function drop(id: string, beadId: string) {
  const db = await outboxDb();
  const change = db.transaction('waiting', 'readwrite', written);
  for (const one of await change.store.index('bead').getAll(beadId))
    if (one.id === id) await change.store.delete(one.seq);
  await change.done;
  changed();
}

/** Everything that is kept here, in the order it is sent. */
export const all = async () => (await outboxDb()).getAll('waiting');

/** What is to be sent next: the first whose bead is not stuck. */
export async function first(may: (one: Waiting) => boolean) {
  const waiting = await all();
  const stuck = new Set(waiting.filter((one) => one.stuck !== null).map((one) => one.beadId));
  return waiting.find((one) => !one.held && !stuck.has(one.beadId) && may(one));
}

/** It was taken. */
export async function sent(one: Waiting) {
  await (await outboxDb()).delete('waiting', one.seq);
  changed();
}

/** Notes how sending it went; what was taken meanwhile stays gone. */
export async function note(one: Waiting, part: Partial<Waiting>) {
  const db = await outboxDb();
  const change = db.transaction('waiting', 'readwrite', written);
  const now = await change.store.get(one.seq);
  if (now) await change.store.put({ ...now, ...part });
  await change.done;
  changed();
}

/** Sends again what was stuck. */
export async function unstick() {
  for (const one of await all()) if (one.stuck !== null) await note(one, { stuck: null, broke: 0 });
}

// What was held for a bead that nobody ever saved.
const forgottenAfter = 7 * 24 * 3_600_000;

/** Throws away what was held for beads that were never saved. */
export async function tidy(now = Date.now()) {
  const db = await outboxDb();
  for (const one of await all())
    if (one.held && now - one.notedAt > forgottenAfter) await db.delete('waiting', one.seq);
}
