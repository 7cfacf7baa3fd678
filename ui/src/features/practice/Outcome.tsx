import type { Schemas } from '../../shared/api/client';
import { counted, evidence } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import css from './drills.module.css';

/** Whether the answer was right, why, and when the drill comes back. */
export function Outcome(props: {
  outcome: Schemas['DrillOutcome'];
  ear: boolean;
  heard: Schemas['Sound'] | null;
}) {
  const { outcome, ear, heard } = props;
  const say = useSay();
  return (
    <div className={css.drillOutcome} data-right={outcome.right} role="status">
      <h2>{outcome.right ? 'Right' : 'Wrong'}</h2>
      <p>{say(outcome.why)}</p>
      {ear && (
        <p>
          It sounds like: <b>{say(outcome.soundsLike)}</b>
          {heard && outcome.sound && heard !== outcome.sound
            ? ` You heard: ${evidence.sound.words[heard].toLowerCase()}.`
            : ''}
        </p>
      )}
      <p>{say(outcome.atTheBooth)}</p>
      <p className="quiet">
        {outcome.dueInDays === 0
          ? 'This one comes back today.'
          : `This one comes back in ${counted(outcome.dueInDays, 'day')}.`}{' '}
        Next at step {outcome.level + 1} of 5.
      </p>
    </div>
  );
}
