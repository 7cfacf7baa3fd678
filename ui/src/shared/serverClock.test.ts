import { beforeEach, expect, it } from 'vitest';
import { hearClock, serverNow } from './serverClock';

const minutesAhead = () => (serverNow() - Date.now()) / 60_000;
const dated = (ms: number) => new Date(ms).toUTCString();

beforeEach(() => hearClock(dated(Date.now())));

it('goes by the server where this screen’s clock is off', () => {
  hearClock(dated(Date.now() + 5 * 60_000));
  expect(minutesAhead()).toBeCloseTo(5, 1);
  hearClock(dated(Date.now() - 7 * 60_000));
  expect(minutesAhead()).toBeCloseTo(-7, 1);
});

it('is not moved by a second’s difference, nor by an answer without a date', () => {
  hearClock(dated(Date.now() + 5 * 60_000));
  const before = minutesAhead();
  hearClock(dated(Date.now() + 5 * 60_000 + 1_000));
  hearClock(null);
  hearClock('not a date');
  expect(minutesAhead()).toBeCloseTo(before, 3);
});
