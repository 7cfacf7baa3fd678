import { today } from '../../shared/time';

const key = 'session';

/** The session that was chosen on this screen today; none where the clock decides. */
export function chosenSession(): string | undefined {
  const [day, id] = (localStorage.getItem(key) ?? '').split(' ');
  // Yesterday's choice is none for today.
  return day === today() && id ? id : undefined;
}

/** Chooses the session that this screen shows for the rest of the day. */
export function chooseSession(id: string): void {
  localStorage.setItem(key, `${today()} ${id}`);
}
