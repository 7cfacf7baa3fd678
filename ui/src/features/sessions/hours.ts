import type { Schemas } from '../../shared/api/client';
import { clock } from '../../shared/time';

/** From when to when a session is held; nothing where only its day was noted. */
export const hoursOf = ({ begins, ends }: Pick<Schemas['Session'], 'begins' | 'ends'>) =>
  begins && ends ? `${clock(begins)} to ${clock(ends)}` : '';

/** A time as a field for it takes it, "18:00". */
export const asTyped = (time: string | null) => (time ?? '').slice(0, 5);
