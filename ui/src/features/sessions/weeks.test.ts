import { describe, expect, it } from 'vitest';
import { later, mondayOf, weekNumber, weeksFrom } from './weeks';

describe('weeks', () => {
  // ISO 8601, week dates: 2026-01-01 is a Thursday and lies in week 1; 2027-01-01, a Friday, in week 53 of 2026.
  it.each([
    ['2026-01-01', '2025-12-29', 1],
    ['2026-11-28', '2026-11-23', 48],
    ['2026-12-31', '2026-12-28', 53],
    ['2027-01-01', '2026-12-28', 53],
    ['2027-01-04', '2027-01-04', 1],
  ])('%s lies in the week of %s, number %i', (day, monday, number) => {
    expect(mondayOf(day)).toBe(monday);
    expect(weekNumber(day)).toBe(number);
  });

  it('counts days over the change of the clocks and the end of the year', () => {
    expect(later('2026-03-28', 2)).toBe('2026-03-30');
    expect(later('2026-10-24', 2)).toBe('2026-10-26');
    expect(later('2026-12-31', 1)).toBe('2027-01-01');
    expect(later('2028-02-28', 1)).toBe('2028-02-29');
  });

  it('gives every day of so many weeks once', () => {
    const weeks = weeksFrom('2026-10-19', 3);
    expect(weeks.map((week) => week[0])).toEqual(['2026-10-19', '2026-10-26', '2026-11-02']);
    expect(new Set(weeks.flat()).size).toBe(21);
  });
});
