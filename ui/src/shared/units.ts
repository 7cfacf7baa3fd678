import { useState } from 'react';
import { useMe } from './useMe';

/** One quantity in one system: factor from the stored unit, unit, digits. */
interface Scale {
  per: number;
  unit: string;
  digits: number;
}

const scales = {
  length: { metric: { per: 1, unit: 'mm', digits: 1 }, inch: { per: 1 / 25.4, unit: 'in', digits: 3 } },
  wireFeed: {
    metric: { per: 1, unit: 'm/min', digits: 1 },
    inch: { per: 1 / 0.0254, unit: 'in/min', digits: 0 },
  },
  travel: {
    metric: { per: 1, unit: 'mm/min', digits: 0 },
    inch: { per: 1 / 25.4, unit: 'in/min', digits: 1 },
  },
  gas: {
    metric: { per: 1, unit: 'L/min', digits: 0 },
    inch: { per: 60 / 28.316846592, unit: 'ft³/h', digits: 0 },
  },
  heat: { metric: { per: 1, unit: 'kJ/mm', digits: 2 }, inch: { per: 25.4, unit: 'kJ/in', digits: 1 } },
  volts: { metric: { per: 1, unit: 'V', digits: 1 }, inch: { per: 1, unit: 'V', digits: 1 } },
  amps: { metric: { per: 1, unit: 'A', digits: 0 }, inch: { per: 1, unit: 'A', digits: 0 } },
} satisfies Record<string, Record<'metric' | 'inch', Scale>>;

/** The kinds of number on a sheet. */
export type Kind = keyof typeof scales;

/** A system of units. */
export type System = 'metric' | 'inch';

/** Writes quantities in the units of whoever is signed in, or in those that something was typed in. */
export function useUnits(typedIn?: System | null) {
  const mine = useMe().data?.units ?? 'metric';
  return inUnits(typedIn ?? mine);
}

/**
 * The units a form's numbers are in: the reader's while nothing is typed, and from then on those it was typed in. A typed
 * number keeps its unit, whatever the reader changes to in the middle of it.
 */
export function useTypedUnits(typed: boolean): ReturnType<typeof inUnits> {
  const mine = useMe().data?.units ?? 'metric';
  const [kept, setKept] = useState<System>(mine);
  if (!typed && kept !== mine) setKept(mine);
  return inUnits(typed ? kept : mine);
}

/** Quantities in one system. */
export function inUnits(units: System) {
  const number = (kind: Kind, value: number) => {
    const scale: Scale = scales[kind][units];
    // Inch people read a fillet gauge and a rule: nearest 1/32.
    if (kind === 'length' && units === 'inch') return fraction(value * scale.per);
    return (value * scale.per).toFixed(scale.digits);
  };
  return {
    units,
    number,
    unit: (kind: Kind) => scales[kind][units].unit,
    per: (kind: Kind) => scales[kind][units].per,
    show: (kind: Kind, value: number) => `${number(kind, value)} ${scales[kind][units].unit}`,
  };
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

/** A moment in the person's own form. */
export const moment = (iso: string) =>
  new Date(iso).toLocaleString(undefined, {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** A day in the person's own form. */
export const day = (iso: string) =>
  new Date(iso.length === 10 ? `${iso}T12:00` : iso).toLocaleDateString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  });

/** Today as the person's calendar has it, yyyy-mm-dd. */
export const today = () => new Date().toLocaleDateString('sv');
