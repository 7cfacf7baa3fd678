import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import css from './face.module.css';

/** What was measured, row by row, and why the eye is not surer. */
export function MeasureList(props: {
  rows: [name: string, said: string, more?: string][];
  notSurer: Schemas['Said'][];
}) {
  const say = useSay();
  return (
    <>
      <dl className={css.measures}>
        {props.rows.map(([name, said, more]) => (
          <div key={name} style={{ display: 'contents' }}>
            <dt>{name}</dt>
            <dd>
              {said}
              {more && <span className="quiet">{more}</span>}
            </dd>
          </div>
        ))}
      </dl>
      {props.notSurer.length > 0 && (
        <ul className="quiet">
          {props.notSurer.map((why, i) => (
            <li key={i}>{say(why)}</li>
          ))}
        </ul>
      )}
    </>
  );
}
