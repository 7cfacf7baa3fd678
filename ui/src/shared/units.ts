import { useState } from 'react';
import { useMe } from './useMe';
import { numberOf, quantities, type Scale, type System, written } from './words/quantities';

export type { System };

// Each kind by its way in the table that sentences are written with; a length as it is laid to a rule.
const scales = {
  length: quantities.lengthMm.rule,
  wireFeed: quantities.wireFeedMPerMin[''],
  travel: quantities.travelMmPerMin[''],
  gas: quantities.gasFlowLPerMin[''],
  heat: quantities.heatInputKJPerMm[''],
  volts: quantities.volts[''],
  amps: quantities.amps[''],
} satisfies Record<string, Record<System, Scale>>;

/** The kinds of number on a sheet. */
export type Kind = keyof typeof scales;

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
  const number = (kind: Kind, value: number) => numberOf(value, scales[kind][units]);
  const unit = (kind: Kind): string => scales[kind][units][1];
  return {
    units,
    number,
    unit,
    per: (kind: Kind): number => scales[kind][units][0],
    show: (kind: Kind, value: number) => `${number(kind, value)} ${unit(kind)}`,
    /** A travel speed as a hand follows it: a length and its time. */
    timed: (travel: number) => written(travel, quantities.travelMmPerMin.timed[units]),
  };
}
