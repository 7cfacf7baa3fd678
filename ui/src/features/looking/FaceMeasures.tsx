import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { useSay } from '../../shared/words/useSay';
import css from './face.module.css';
import { faceRows } from './faceRows';

/** What the eye measured, and why it is not surer. */
export function FaceMeasures({ seen }: { seen: Schemas['FaceSeen'] }) {
  const { units } = useUnits();
  const say = useSay();
  const inch = units === 'inch';
  return (
    <>
      <dl className={css.measures}>
        {faceRows.map(([name, of]) => {
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
