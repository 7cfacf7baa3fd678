// Days are counted at noon, universal time: no change of the clocks comes near it.
const noon = (iso: string) => new Date(`${iso}T12:00Z`);
const written = (date: Date) => date.toISOString().slice(0, 10);

/** A day so many days later. */
export function later(iso: string, days: number): string {
  const date = noon(iso);
  date.setUTCDate(date.getUTCDate() + days);
  return written(date);
}

/** The Monday of a day's week. */
export const mondayOf = (iso: string) => later(iso, -((noon(iso).getUTCDay() + 6) % 7));

/** The days of so many weeks from a Monday on, week by week. */
export const weeksFrom = (monday: string, weeks: number): string[][] =>
  Array.from({ length: weeks }, (_, week) =>
    Array.from({ length: 7 }, (_, day) => later(monday, 7 * week + day)),
  );

/** The number of a day's week (ISO 8601): the first is the one with the year's first Thursday. */
export function weekNumber(iso: string): number {
  const thursday = noon(later(mondayOf(iso), 3));
  const first = Date.UTC(thursday.getUTCFullYear(), 0, 1, 12);
  return 1 + Math.floor((thursday.getTime() - first) / (7 * 86_400_000));
}
