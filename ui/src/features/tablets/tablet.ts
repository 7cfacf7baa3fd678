const key = 'tablet';

/** Whether this screen was a booth's when last asked; no more than a hint. */
export const wasTablet = () => window.localStorage.getItem(key) !== null;

/** Notes whether this screen is a booth's. */
export function rememberTablet(is: boolean) {
  if (is) window.localStorage.setItem(key, 'yes');
  else window.localStorage.removeItem(key);
}
