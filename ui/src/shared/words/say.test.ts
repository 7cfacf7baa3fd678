import { describe, expect, it } from 'vitest';
import shared from '../../../../tests/sentences.json';
import { accented } from './accented';
import { digits } from './quantities';
import { say, type Said } from './say';

// The server is tested with the same file: both write a sentence alike.
const sentences = shared as { said: Said; metric: string; inch: string }[];

describe('sentences in the reader’s units', () => {
  it.each(sentences)('$metric', ({ said, metric, inch }) => {
    expect(say(said, 'metric')).toBe(metric);
    expect(say(said, 'inch')).toBe(inch);
  });

  it('says nothing where there is no sentence, and the screen’s own words as they are', () => {
    expect(say(null, 'inch')).toBe('');
    expect(say('Try again.', 'inch')).toBe('Try again.');
  });

  it('changes the words and leaves names and numbers alone', () => {
    const said = { say: 'Wire on {0}: {1}', with: [{ name: 'the bench' }, { wireFeedMPerMin: 7.112 }] };
    expect(say(said, 'metric', accented)).toBe('Wîřë öñ the bench: 7.1 m/min');
  });
});

// Rounded half away from zero as written in decimals; the binary form of each lies just under the half.
describe('digits', () => {
  it.each([
    [1.005, '0.00', '1.01'],
    [3.175, '0.0#', '3.18'],
    [0.285, '0.00', '0.29'],
    [1e-9, '0.0', '0.0'],
    [2.5, '0', '3'],
    [-2.5, '0', '-3'],
  ])('%d by %s', (value, pattern, written) => {
    expect(digits(value, pattern)).toBe(written);
  });
});
