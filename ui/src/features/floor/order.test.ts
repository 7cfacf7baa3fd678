import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../shared/api/client';
import { ago, byNeed, left, nextTurn } from './order';

const view = (
  number: number,
  rank: number | null,
  since: string | null = null,
  until: string | null = null,
) => ({ booth: { number }, need: rank === null ? null : { rank, since, until } }) as Schemas['BoothView'];

const numbers = (views: Schemas['BoothView'][]) => views.map(({ booth }) => booth.number);
const at = (time: string) => `2026-03-02T${time}:00Z`;
const now = new Date(at('19:30')).getTime();

describe('who needs me first', () => {
  it('goes by the server’s rank, then by who has waited longest, then by number', () => {
    const views = [
      view(1, 6, at('19:20')),
      view(2, 6, at('19:10')),
      view(3, 0, at('19:29')),
      view(4, 7),
      view(5, 7),
      view(6, 1, at('19:00')),
    ];
    expect(numbers(byNeed(views))).toEqual([3, 6, 2, 1, 4, 5]);
  });

  it('leaves booths by their numbers while the session is not on', () => {
    expect(numbers(byNeed([view(3, null), view(1, null), view(2, null)]))).toEqual([1, 2, 3]);
  });

  it('knows when the order changes by itself', () => {
    expect(nextTurn([view(1, 6, null, at('19:40')), view(2, 6, null, at('19:35')), view(3, 0)])).toBe(
      new Date(at('19:35')).getTime(),
    );
    expect(nextTurn([view(1, 0), view(2, null)])).toBeUndefined();
  });
});

describe('time on the floor', () => {
  it.each([
    ['19:30', 'now'],
    ['19:29', '1 min'],
    ['18:31', '59 min'],
    ['18:25', '1 h 5 min'],
    ['19:45', 'now'],
  ])('since %s is %s', (since, words) => {
    expect(ago(at(since), now)).toBe(words);
  });

  it.each([
    ['2026-03-02T19:40:00Z', '10 min'],
    ['2026-03-02T19:39:59Z', '9:59'],
    ['2026-03-02T19:30:07Z', '0:07'],
    ['2026-03-02T19:00:00Z', '0:00'],
  ])('until %s is %s', (until, words) => {
    expect(left(until, now)).toBe(words);
  });
});
