import type { Schemas } from '../../shared/api/client';
import { between, fine } from './toes';

type Measures = Schemas['BackMeasures'];
type Trace = Schemas['BackTrace'];

/** What a row says, and more of it. */
type Value = [said: string, more?: string];

const runs = (trace: Trace | null, inch: boolean): Value => {
  if (trace == null) return ['none to be seen'];
  const share = `${Math.round(100 * trace.share)} % of the length`;
  return [
    trace.even
      ? `even, ${share}`
      : `broken, ${share} in ${trace.pieces === 1 ? '1 piece' : `${trace.pieces} pieces`}`,
    `${fine(trace.width.valueMm, inch)} wide, ${between(trace.width, inch)}, varies by ${fine(trace.variesMm, inch)}`,
  ];
};

const holes = ({ holesMm }: Measures, inch: boolean): Value =>
  holesMm.length === 0
    ? ['none to be seen']
    : [
        `suspected at ${holesMm.length === 1 ? '1 place' : `${holesMm.length} places`}`,
        `largest ${fine(Math.max(...holesMm), inch)} wide; where it is one, note a hole`,
      ];

/** What a row is called, and what it says. */
export const backRows: [string, (measures: Measures, inch: boolean) => Value][] = [
  ['Mark behind', (of, inch) => runs(of.mark, inch)],
  ['Tint behind', (of, inch) => runs(of.tint, inch)],
  ['Burnt through', holes],
];
