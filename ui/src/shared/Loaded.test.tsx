// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refused } from './api/client';
import { Loaded, LoadTrouble } from './Loaded';

// What a browser has and this stand-in of one has not.
beforeAll(() => {
  window.matchMedia = (query) =>
    ({
      matches: false,
      media: query,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as never;
});
beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

const shown = (part: ReactNode) =>
  render(
    <MantineProvider>
      <QueryClientProvider client={new QueryClient()}>
        <main>{part}</main>
      </QueryClientProvider>
    </MantineProvider>,
  );

function later(ms: number) {
  act(() => {
    vi.advanceTimersByTime(ms);
  });
}

describe('what a page asked for', () => {
  it('is said to be slow after ten seconds, not before, and can be asked for again', () => {
    const again = vi.fn();
    shown(
      <Loaded of={{ data: undefined, error: null, again }} what="the room">
        {() => 'here'}
      </Loaded>,
    );
    later(9_900);
    expect(screen.queryByText(/Still waiting/)).toBeNull();
    later(200);
    expect(screen.getByRole('status').textContent).toContain('Still waiting for the room');
    screen.getByText('Ask again').click();
    expect(again).toHaveBeenCalledOnce();
  });

  it.each([
    [403, 'The room is for instructors.'],
    [404, 'The room is not here'],
    [410, 'The room is gone.'],
  ])('says what %i means and leads back to the start', (status, words) => {
    shown(
      <Loaded
        of={{ data: undefined, error: new Refused(status, 'no'), again: () => undefined }}
        what="the room"
      >
        {() => 'here'}
      </Loaded>,
    );
    expect(screen.getByRole('alert').textContent).toContain(words);
    expect(screen.getByText('Back to the start').closest('a')?.getAttribute('href')).toBe('/');
  });

  it('stays when asking again fails, and says that it may be old', () => {
    shown(
      <Loaded
        of={{ data: 'five booths', error: new Refused(0, 'no answer'), again: () => undefined }}
        what="the room"
      >
        {(data) => data}
      </Loaded>,
    );
    expect(screen.getByText('five booths')).toBeTruthy();
    expect(screen.getByRole('status').textContent).toContain('This may be old');
  });

  it('that fills a part of the page shows nothing while it comes, and words once it is slow', () => {
    const of = { data: undefined, error: null, refetch: () => undefined, isFetching: true };
    shown(<LoadTrouble of={of} what="the causes" />);
    later(5_000);
    expect(screen.getByRole('main').textContent).toBe('');
    later(5_100);
    expect(screen.getByRole('main').textContent).toContain('Still waiting for the causes');
  });

  it('that is not asked for at all is not waited for', () => {
    const of = { data: undefined, error: null, refetch: () => undefined, isFetching: false };
    shown(<LoadTrouble of={of} what="the causes" />);
    later(20_000);
    expect(screen.getByRole('main').textContent).toBe('');
  });
});
