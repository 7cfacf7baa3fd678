import type { Schemas } from '../../shared/api/client';
import { exerciseStates } from '../../shared/words';
import css from './path.module.css';
import { edgesOf, laidOut, size } from './pathLayout';

/** A path as a graph: what is done first on the left, a line from each exercise to what comes after it. */
export function PathGraph(props: {
  steps: Schemas['ShownStep'][];
  /** How far somebody has come with each; none where it is nobody's. */
  places?: ReadonlyMap<string, Schemas['StepPlace']>;
}) {
  const { steps, places } = props;
  const at = laidOut(steps);
  const { width, height } = size(at);
  return (
    <div className="scroll-x" role="group" aria-label="The path drawn" tabIndex={0}>
      <div className={css.graph} style={{ width, height }}>
        <svg width={width} height={height} aria-hidden="true">
          {edgesOf(steps, at).map(({ key, d }) => (
            <path key={key} d={d} className={css.edge} />
          ))}
        </svg>
        <ol className="plain-list">
          {steps.map(({ exerciseId, name }) => {
            const place = places?.get(exerciseId);
            const spot = at.get(exerciseId);
            return (
              <li
                key={exerciseId}
                className={css.node}
                style={{ left: spot?.x, top: spot?.y }}
                data-state={place?.place.state}
                data-open={place?.open}
              >
                {name}
                {place && (
                  <span className={css.state}>
                    {place.place.state === 'notBegun' && !place.open
                      ? 'Later'
                      : exerciseStates[place.place.state]}
                  </span>
                )}
              </li>
            );
          })}
        </ol>
      </div>
    </div>
  );
}
