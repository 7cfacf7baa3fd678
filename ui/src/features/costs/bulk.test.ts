import { expect, test } from 'vitest';
import { lastMonths } from './bulk';

test('months go back over the turn of a year', () => {
  expect(lastMonths(4, '2026-02-28').map(({ value }) => value)).toEqual([
    '2026-02-01',
    '2026-01-01',
    '2025-12-01',
    '2025-11-01',
  ]);
  expect(lastMonths(1, '2026-03-31')[0]?.label).toContain('2026');
});
