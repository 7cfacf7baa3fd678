// How far the server's clock is ahead of this screen's, ms.
let ahead = 0;

// Answers name whole seconds and take their time: less than this says nothing.
const unsure = 2_000;

/** Takes the server's clock from the date an answer carries: a tablet's own may be off by minutes. */
export function hearClock(date: string | null, now = Date.now()) {
  const found = Date.parse(date ?? '') + 500 - now;
  if (Math.abs(found - ahead) > unsure) ahead = found;
}

/** The moment by the server's clock, ms: for whatever is told since when, or until when. */
export const serverNow = () => Date.now() + ahead;
