/** Where somebody went last by name, newest first; kept in this browser. */
export interface Recent {
  id: string;
  label: string;
  to: string;
}

const most = 6;
const keyOf = (personId: string) => `recent-${personId}`;

export function recentOf(personId: string): Recent[] {
  try {
    const kept: unknown = JSON.parse(window.localStorage.getItem(keyOf(personId)) ?? '[]');
    return Array.isArray(kept) ? kept.filter(isRecent).slice(0, most) : [];
  } catch {
    return [];
  }
}

const isRecent = (one: unknown): one is Recent =>
  typeof one === 'object' && one !== null && ['id', 'label', 'to'].every((part) => part in one);

/** Puts the newest first, each once. */
export const withRecent = (before: Recent[], newest: Recent): Recent[] =>
  [newest, ...before.filter((one) => one.id !== newest.id)].slice(0, most);

export function remember(personId: string, newest: Recent) {
  try {
    window.localStorage.setItem(keyOf(personId), JSON.stringify(withRecent(recentOf(personId), newest)));
  } catch {
    // A browser that keeps nothing forgets the way, no more.
  }
}
