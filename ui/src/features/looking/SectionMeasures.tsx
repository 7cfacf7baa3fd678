import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import css from './section.module.css';
import { type Marks, missing, modes } from './sectionMarks';
import { between } from './toes';

type Measures = Schemas['MacroMeasures'];
type Seen = Schemas['SectionMeasures'];

const named: [string, keyof Measures, keyof Seen][] = [
  ['Lower leg', 'lowerLegMm', 'lowerLeg'],
  ['Upper leg', 'upperLegMm', 'upperLeg'],
  ['Throat', 'throatMm', 'throat'],
  ['Width', 'widthMm', 'width'],
  ['Reinforcement', 'reinforcementMm', 'reinforcement'],
  ['Root penetration', 'rootPenetrationMm', 'rootPenetration'],
  ['Into the lower plate', 'lowerPenetrationMm', 'lowerPenetration'],
  ['Into the upper plate', 'upperPenetrationMm', 'upperPenetration'],
  ['Unfused', 'unfusedLengthMm', 'unfusedLength'],
];

/** What the marks measure, beside what the eye makes of it; or what is still to be marked. */
export function SectionMeasures(props: {
  measures: Measures | undefined;
  marks: Marks;
  seen: Seen | undefined;
}) {
  const { measures, marks, seen } = props;
  const { units } = useUnits();
  const inch = units === 'inch';
  const still = missing(marks);
  if (!measures) {
    return (
      <p className="quiet">
        {still.length === 0
          ? 'Measuring …'
          : `Still to mark: ${still.map((one) => modes[one].title.toLowerCase()).join(', ')}.`}
      </p>
    );
  }
  return (
    <dl className={css.macroMeasures}>
      {named.map(([name, key, eye]) => {
        const mm = measures[key];
        const read = seen?.[eye];
        return (
          mm !== null && (
            <div key={key} style={{ display: 'contents' }}>
              <dt>{name}</dt>
              <dd>
                {mm.toFixed(1)} mm
                {inch && `, ${(mm / 25.4).toFixed(3)} in`}
                {read && <span className={css.eye}>eye: {between(read, inch)}</span>}
              </dd>
            </div>
          )
        );
      })}
    </dl>
  );
}
