import type { Schemas } from '../api/client';
import { clock, dayWithYear } from '../time';
import { digits, scaleOf, type System, written } from './quantities';

/** A sentence of the server's: words with numbered places, and the values that stand there. */
export type Said = Schemas['Said'];

/** What stands at a place of a sentence, as the server sends it. */
type Value = Record<string, unknown>;

/** A sentence as a reader sees it; the screen's own words stand as they are. */
export function say(said: Said | string | null | undefined, units: System, words = asTheyAre): string {
  if (!said) return '';
  if (typeof said === 'string') return said;
  const values = said.with ?? [];
  return said.say
    .split(/(\{\{|\}\}|\{\d+\})/)
    .map((part) => {
      const place = /^\{(\d+)\}$/.exec(part)?.[1];
      if (place !== undefined) return show(values[Number(place)] ?? {}, units, words);
      return part === '{{' ? '{' : part === '}}' ? '}' : words(part);
    })
    .join('');
}

const asTheyAre = (words: string) => words;

function show(value: Value, units: System, words: (text: string) => string): string {
  const way = typeof value.as === 'string' ? value.as : '';
  for (const name of Object.keys(value)) {
    const scale = scaleOf(name, way, units);
    if (scale) return written(value[name] as number, scale);
  }
  if (typeof value.number === 'number') return digits(value.number, way);
  if (typeof value.name === 'string') return value.name;
  if (typeof value.day === 'string') return dayWithYear(value.day);
  if (typeof value.time === 'string') return clock(value.time);
  if (typeof value.metric === 'string') return String(value[units]);
  const parts = ((value.parts ?? []) as Said[])
    .map((part) => say(part, units, words))
    .join(typeof value.between === 'string' ? value.between : '');
  if (way === 'capital') return parts.charAt(0).toUpperCase() + parts.slice(1);
  // A word of capitals stays one.
  return way === 'small' && /^.\p{Ll}/u.test(parts) ? parts.charAt(0).toLowerCase() + parts.slice(1) : parts;
}
