/** A system of units. */
export type System = 'metric' | 'inch';

/**
 * How one quantity is written in one system: its number for one of the unit it is held in, the unit, and the digits, null for 1/32 as on
 * a rule; and what is gone through in that time, where the number is a time and not a speed.
 */
export type Scale = readonly [per: number, unit: string, digits: string | null, over?: string];

type Ways = Record<string, Record<System, Scale>>;

const inch = 1 / 25.4;

/**
 * Every way of writing a quantity, by its name in JSON; '' is the usual one. The server has the same table; a file of sentences that both
 * are tested with holds them together.
 */
export const quantities = {
  lengthMm: {
    '': { metric: [1, 'mm', '0.0#'], inch: [inch, 'in', '0.000'] },
    rule: { metric: [1, 'mm', '0.0'], inch: [inch, 'in', null] },
    run: { metric: [1, 'mm', '0'], inch: [inch, 'in', '0.0'] },
  },
  wireFeedMPerMin: {
    '': { metric: [1, 'm/min', '0.0'], inch: [1 / 0.0254, 'in/min', '0'] },
    run: { metric: [1000, 'mm/min', '0'], inch: [1 / 0.0254, 'in/min', '0.0'] },
  },
  travelMmPerMin: {
    '': { metric: [1, 'mm/min', '0'], inch: [inch, 'in/min', '0.0'] },
    timed: { metric: [100 * 60, 's', '0', '100 mm'], inch: [4 * 25.4 * 60, 's', '0', '4 inches'] },
  },
  gasFlowLPerMin: { '': { metric: [1, 'L/min', '0.#'], inch: [60 / 28.316846592, 'ft³/h', '0'] } },
  volts: { '': { metric: [1, 'V', '0.0'], inch: [1, 'V', '0.0'] } },
  amps: { '': { metric: [1, 'A', '0'], inch: [1, 'A', '0'] } },
  heatInputKJPerMm: { '': { metric: [1, 'kJ/mm', '0.00'], inch: [25.4, 'kJ/in', '0.0'] } },
  areaMm2: { '': { metric: [1, 'mm²', '0.0##'], inch: [inch * inch, 'in²', '0.0000'] } },
  volumeMm3: { '': { metric: [1e-3, 'cm³', '0.0#'], inch: [inch * inch * inch, 'in³', '0.00#'] } },
} as const satisfies Record<string, Ways>;

/** One way of writing a quantity, by names that came over the wire; undefined where there is none. */
export const scaleOf = (name: string, way: string, system: System): Scale | undefined =>
  (quantities as Record<string, Ways>)[name]?.[way]?.[system];

/** A quantity with its unit. */
export const written = (held: number, scale: Scale): string => {
  const [per, unit, pattern, over] = scale;
  return over && pattern
    ? `${over} in ${digits(per / held, pattern)} ${unit}`
    : `${numberOf(held, scale)} ${unit}`;
};

/** The number of a quantity, without its unit. */
export const numberOf = (held: number, [per, , pattern]: Scale) =>
  pattern === null ? fraction(held * per) : digits(held * per, pattern);

/**
 * A number by a pattern: a 0 for each digit that is always shown behind the point, a # for each that is shown when it is not 0; a plus
 * before it shows the sign of positive numbers too.
 */
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

/** Inches to the nearest 1/32, as a rule shows them: "5/32", "1 1/8". */
export function fraction(inches: number): string {
  let over = Math.round(inches * 32);
  let under = 32;
  while (over % 2 === 0 && under > 1) {
    over /= 2;
    under /= 2;
  }
  if (under === 1) return String(over);
  const whole = Math.floor(over / under);
  return `${whole > 0 ? `${whole} ` : ''}${over % under}/${under}`;
}
