import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { isOwn, wrote } from './ownWrites';

describe('what this screen wrote itself', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is known, and nothing else is', () => {
    wrote('a');
    expect(isOwn('a')).toBe(true);
    expect(isOwn('b')).toBe(false);
    expect(isOwn(null)).toBe(false);
    expect(isOwn(undefined)).toBe(false);
  });

  it('is forgotten after a while, so that a day of beads fills no memory', () => {
    wrote('early');
    vi.advanceTimersByTime(31_000);
    wrote('late');
    expect(isOwn('early')).toBe(false);
    expect(isOwn('late')).toBe(true);
  });
});
