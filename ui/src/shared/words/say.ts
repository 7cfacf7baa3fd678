import type { Schemas } from '../api/client';
import { fraction, type System } from '../units';

/** A sentence of the server's: words with numbered places, and the values that stand there. */
export type Said = Schemas['Said'];

/** What stands at a place of a sentence, as the server sends it. */
type Value = Record<string, unknown>;

/**
 * How one quantity is written in one system: its number for one of the unit it is held in, the unit, and the digits; null for 1/32 as
 * on a rule.
 */
type Scale = [per: number, unit: string, digits: string | null];

const inch = 1 / 25.4;

/**
 * Every way of writing a quantity, by its name in JSON. The server has the same table; a file of sentences that both are tested with
 * holds them together.
 */
const quantities: Record<string, Record<string, Record<System, Scale>>> = {
  lengthMm: {
    '': { metric: [1, 'mm', '0.0#'], inch: [inch, 'in', '0.000'] },
    rule: { metric: [1, 'mm', '0.0'], inch: [inch, 'in', null] },
    run: { metric: [1, 'mm', '0'], inch: [inch, 'in', '0.0'] },
  },
  wireFeedMPerMin: {
    '': { metric: [1, 'm/min', '0.0'], inch: [1 / 0.0254, 'in/min', '0'] },
    run: { metric: [1000, 'mm/min', '0'], inch: [1 / 0.0254, 'in/min', '0.0'] },
  },
  travelMmPerMin: { '': { metric: [1, 'mm/min', '0'], inch: [inch, 'in/min', '0.0'] } },
  gasFlowLPerMin: { '': { metric: [1, 'L/min', '0.#'], inch: [60 / 28.316846592, 'ft³/h', '0'] } },
  volts: { '': { metric: [1, 'V', '0.0'], inch: [1, 'V', '0.0'] } },
  amps: { '': { metric: [1, 'A', '0'], inch: [1, 'A', '0'] } },
  heatInputKJPerMm: { '': { metric: [1, 'kJ/mm', '0.00'], inch: [25.4, 'kJ/in', '0.0'] } },
  areaMm2: { '': { metric: [1, 'mm²', '0.0##'], inch: [inch * inch, 'in²', '0.0000'] } },
  volumeMm3: { '': { metric: [1e-3, 'cm³', '0.0#'], inch: [inch * inch * inch, 'in³', '0.00#'] } },
};

/** A number by a pattern: a 0 for each digit that is always shown behind the point, a # for each that is shown when it is not 0. */
export function digits(value: number, pattern: string): string {
  const behind = pattern.split('.')[1] ?? '';
  const most = behind.length;
  const least = behind.split('0').length - 1;
  let text = rounded(Math.abs(value), most).toFixed(most);
  for (let shown = most; shown > least && text.endsWith('0'); shown--) text = text.slice(0, -1);
  if (text.endsWith('.')) text = text.slice(0, -1);
  const sign = value < 0 && /[1-9]/.test(text) ? '-' : pattern.startsWith('+') ? '+' : '';
  return sign + text;
}

// Rounded as the number is written in decimals: 3.175 is 3.18, not the 3.17 that its binary form would give.
function rounded(value: number, most: number): number {
  const written = value.toPrecision(15);
  return written.includes('e') ? value : Number(`${Math.round(Number(`${written}e${most}`))}e-${most}`);
}

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
    const scale = quantities[name]?.[way]?.[units];
    if (scale) return quantity(value[name] as number, scale);
  }
  if (typeof value.number === 'number') return digits(value.number, way);
  if (typeof value.name === 'string') return value.name;
  if (typeof value.metric === 'string') return String(value[units]);
  const parts = ((value.parts ?? []) as Said[])
    .map((part) => say(part, units, words))
    .join(typeof value.between === 'string' ? value.between : '');
  if (way === 'capital') return parts.charAt(0).toUpperCase() + parts.slice(1);
  // A word of capitals stays one.
  return way === 'small' && /^.\p{Ll}/u.test(parts) ? parts.charAt(0).toLowerCase() + parts.slice(1) : parts;
}

const quantity = (held: number, [per, unit, pattern]: Scale) =>
  `${pattern === null ? fraction(held * per) : digits(held * per, pattern)} ${unit}`;
