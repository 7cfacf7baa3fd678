import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import css from './macro.module.css';
import { type Marks, missing, modes } from './sectionMarks';

type Measures = Schemas['MacroMeasures'];

const named: [string, keyof Measures][] = [
  ['Lower leg', 'lowerLegMm'],
  ['Upper leg', 'upperLegMm'],
  ['Throat', 'throatMm'],
  ['Width', 'widthMm'],
  ['Reinforcement', 'reinforcementMm'],
  ['Root penetration', 'rootPenetrationMm'],
  ['Into the lower plate', 'lowerPenetrationMm'],
  ['Into the upper plate', 'upperPenetrationMm'],
  ['Unfused', 'unfusedLengthMm'],
];

/** What the marks measure, or what is still to be marked. */
export function SectionMeasures({ measures, marks }: { measures: Measures | undefined; marks: Marks }) {
  const { units } = useUnits();
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
      {named.map(([name, key]) => {
        const mm = measures[key];
        return (
          mm !== null && (
            <div key={key} style={{ display: 'contents' }}>
              <dt>{name}</dt>
              <dd>
                {mm.toFixed(1)} mm
                {units === 'inch' && `, ${(mm / 25.4).toFixed(3)} in`}
              </dd>
            </div>
          )
        );
      })}
    </dl>
  );
}
