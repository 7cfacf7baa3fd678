import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { evidence } from '../../shared/evidenceWords';
import { useSay } from '../../shared/words/useSay';
import css from './face.module.css';
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

/** What only a gauge or a second look can tell for certain; nothing where the eye did not look for it. */
const undercut = ({ undercutMm }: Measures, inch: boolean): Value | null =>
  undercutMm == null
    ? null
    : undercutMm === 0
      ? ['none to be seen']
      : [`suspected along ${fine(undercutMm, inch)} of the toes`, 'how deep a gauge says'];

// Where they are not plain to see they may be there all the same: nothing is said.
const crater = ({ crater: hollow }: Measures): Value | null => (hollow ? ['the end looks hollow'] : null);

const restarts = ({ restarts: many }: Measures): Value | null =>
  many ? [many === 1 ? 'once' : `${many} times`] : null;

/** What a row is called, and what it says; nothing where it was not read. */
const rows: [string, (measures: Measures, inch: boolean) => Value | null][] = [
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
  ['Stopped and begun anew', restarts],
  ['Tint on the left', (of, inch) => tint(of.leftTint, inch)],
  ['Tint on the right', (of, inch) => tint(of.rightTint, inch)],
];

/** What the eye measured, and why it is not surer. */
export function FaceMeasures({ seen }: { seen: Schemas['FaceSeen'] }) {
  const { units } = useUnits();
  const say = useSay();
  const inch = units === 'inch';
  return (
    <>
      <dl className={css.measures}>
        {rows.map(([name, of]) => {
          const value = of(seen.measures, inch);
          return (
            value && (
              <div key={name} style={{ display: 'contents' }}>
                <dt>{name}</dt>
                <dd>
                  {value[0]}
                  {value[1] && <span className="quiet">{value[1]}</span>}
                </dd>
              </div>
            )
          );
        })}
      </dl>
      {seen.notSurer.length > 0 && (
        <ul className="quiet">
          {seen.notSurer.map((why, i) => (
            <li key={i}>{say(why)}</li>
          ))}
        </ul>
      )}
    </>
  );
}
