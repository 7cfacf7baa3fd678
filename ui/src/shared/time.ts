/** A moment in the person's own form. */
export const moment = (iso: string) =>
  new Date(iso).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

// A day alone is no moment: at noon it is the same day in every zone.
const at = (iso: string) => new Date(iso.length === 10 ? `${iso}T12:00` : iso);

/** A day in the person's own form. */
export const day = (iso: string) =>
  at(iso).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });

/** A day where the weekday stands beside it. */
export const dayOfMonth = (iso: string) =>
  at(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });

/** A day of any year. */
export const dayWithYear = (iso: string) =>
  at(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

/** A time by the clock on the wall, "18:00:00" or "18:00", in the person's own form. */
export const clock = (time: string) =>
  new Date(`2000-01-01T${time}`).toLocaleTimeString(undefined, { hour: 'numeric', minute: '2-digit' });

/** Today as the person's calendar has it, yyyy-mm-dd. */
export const today = () => new Date().toLocaleDateString('sv');
