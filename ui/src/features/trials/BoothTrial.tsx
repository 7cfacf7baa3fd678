import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import css from './boothTrial.module.css';
import { Cooling } from './Cooling';

/** A trial where it is welded: its steps, what to set for the one in hand, and what must stay the same. */
export function BoothTrial(props: {
  trial: Schemas['MyTrial'];
  /** The step in hand; null once it is over. */
  step: Schemas['TrialStep'] | null;
  /** Steps that were noted here and wait to be sent. */
  waiting: number[];
  onChoose: (step: number) => void;
}) {
  const { trial, step, waiting } = props;
  const say = useSay();
  const { plan, laid, learned, fitAt } = trial;
  const state = (number: number) => {
    const last = laid.findLast((one) => one.step === number);
    return waiting.includes(number) ? 'waits to be sent' : last ? `bead ${last.number}` : 'not laid yet';
  };
  return (
    <section className="panel stack" aria-label="Your trial">
      <h2>
        {say(plan.title)} <span className="quiet">{say(plan.question)}</span>
      </h2>
      <ol className={css.steps} aria-label="Steps">
        {plan.steps.map((one) => (
          <li key={one.number}>
            <button
              type="button"
              className="key"
              aria-pressed={one.number === step?.number}
              onClick={() => props.onChoose(one.number)}
            >
              <b>
                {one.number}. {say(one.title)}
              </b>
              <span>{state(one.number)}</span>
            </button>
            {laid
              .findLast((bead) => bead.step === one.number)
              ?.unfair.map((unfair) => (
                <p key={unfair.unfair} className={css.unfair}>
                  {say(unfair.text)}
                </p>
              ))}
          </li>
        ))}
      </ol>
      {step ? (
        <>
          <p className={css.set}>
            Set <b>{say(step.reads)}</b>
          </p>
          <ul className={css.hold}>
            {plan.hold.map((hold) => (
              <li key={say(hold)}>{say(hold)}</li>
            ))}
          </ul>
          {fitAt && <Cooling until={fitAt} />}
        </>
      ) : (
        <p role="status">Every step is laid.</p>
      )}
      {learned && (
        <p className="learned" role="note" aria-label="Learned">
          {say(learned)}
        </p>
      )}
    </section>
  );
}
