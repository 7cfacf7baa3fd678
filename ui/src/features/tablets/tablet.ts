const key = 'tablet';

/** Whether this screen was a booth's when last asked; no more than a hint. */
export const wasTablet = () => window.localStorage.getItem(key) !== null;

/** Notes whether this screen is a booth's. */
export function rememberTablet(is: boolean) {
  if (is) window.localStorage.setItem(key, 'yes');
  else window.localStorage.removeItem(key);
}

const leftKey = 'left';

/** Notes by which sign-in somebody stood here who left while the server could not be told. */
export const leftUnheard = (standingId: string | null) =>
  window.localStorage.setItem(leftKey, standingId ?? '');

/** Whether somebody left by this sign-in, and the server has not heard of it yet. */
export const hasLeft = (standingId: string | null) =>
  standingId !== null && window.localStorage.getItem(leftKey) === standingId;
