/** What this screen wrote itself in the last moments: the room's notice of it tells nothing new. */
const written = new Map<string, number>();
const remembered = 30_000;

/** Remembers a row this screen is about to write: the room may tell of it before its answer is here. */
export function wrote(id: string) {
  const now = Date.now();
  for (const [old, at] of written) if (now - at > remembered) written.delete(old);
  written.set(id, now);
}

/** Whether a notice tells of such a row. */
export const isOwn = (id: string | null | undefined) => typeof id === 'string' && written.has(id);
