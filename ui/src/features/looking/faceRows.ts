import type { Schemas } from '../../shared/api/client';
import { evidence } from '../../shared/evidenceWords';
import { between, fine } from './toes';

type Measures = Schemas['FaceMeasures'];

/** What a row says, and between what that lies. */
type Value = [said: string, lies?: string];

const read = (length: Schemas['ReadLength'] | null, inch: boolean): Value | null =>
  length && [fine(length.valueMm, inch), between(length, inch)];

const tint = (side: Measures['leftTint'], inch: boolean): Value => {
  if (side == null) return ['not to be seen'];
  if (side.width.valueMm === 0) return ['none'];
  const colour = side.hottest ? `, ${evidence.colour.words[side.hottest].toLowerCase()}` : '';
  return [`${fine(side.width.valueMm, inch)}${colour}`, between(side.width, inch)];
};

const spatter = ({ count, largestMm, furthestMm }: Measures['spatter'], inch: boolean): Value =>
  count === 0
    ? ['none']
    : [`${count}`, `largest ${fine(largestMm, inch)}, up to ${fine(furthestMm, inch)} off`];

const pores = ({ poresMm, poresPer25Mm }: Measures, inch: boolean): Value =>
  poresMm.length === 0
    ? ['none']
    : [
        `${poresMm.length}`,
        `largest ${fine(Math.max(...poresMm), inch)}, ${fine(poresPer25Mm, inch)} within ${inch ? '1 in' : '25 mm'}`,
      ];

// Where these are not plain to see they may be there all the same: nothing is said.
const undercut = ({ undercutMm }: Measures, inch: boolean): Value | null =>
  undercutMm == null
    ? null
    : [`suspected along ${fine(undercutMm, inch)} of the toes`, 'how deep a gauge says'];

const crater = ({ crater: hollow }: Measures): Value | null => (hollow ? ['the end looks hollow'] : null);

const restart = ({ restart: anew }: Measures): Value | null => (anew ? ['it looks so'] : null);

/** What a row is called, and what it says; nothing where it was not read. */
export const faceRows: [string, (measures: Measures, inch: boolean) => Value | null][] = [
  ['Length', (of, inch) => read(of.length, inch)],
  ['Width', (of, inch) => read(of.width, inch)],
  ['Width wanders by', (of, inch) => [fine(of.wandersMm, inch)]],
  ['Leg, both alike', (of, inch) => read(of.leg, inch)],
  ['Off a straight line', (of, inch) => [fine(of.offStraightMm, inch)]],
  ['From ripple to ripple', (of, inch) => read(of.ripple, inch)],
  ['Ripples vary by', (of) => (of.rippleSpread == null ? null : [`${Math.round(100 * of.rippleSpread)} %`])],
  ['Spatter', (of, inch) => spatter(of.spatter, inch)],
  ['Pores', (of, inch) => pores(of, inch)],
  ['Undercut', undercut],
  ['Crater', crater],
  ['Stopped and begun anew', restart],
  ['Tint on the left', (of, inch) => tint(of.leftTint, inch)],
  ['Tint on the right', (of, inch) => tint(of.rightTint, inch)],
];
