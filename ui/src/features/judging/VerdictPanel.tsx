import type { Ref } from 'react';
import type { Schemas } from '../../shared/api/client';
import { aspects, matches, verdicts } from '../../shared/words';
import { VerdictMark } from './VerdictMark';
import { useSay } from '../../shared/words/useSay';
import css from './judging.module.css';

type Judgement = Schemas['Judgement'];

/** The one thing to do next, large enough to read from the booth's curtain: a change, or a look where nothing is sure yet. */
export function NextChange({ next }: { next: NonNullable<Judgement['next']> }) {
  const say = useSay();
  return (
    <section className={css.nextChange} aria-label="Next change">
      <h3>{next.kind === 'look' ? 'Look first' : 'Change next'}</h3>
      <p className={css.instruction}>{say(next.instruction)}</p>
      {next.then && <p>{say(next.then)}</p>}
      <p className="quiet">{next.kind === 'look' ? say(next.expect) : <>Expect: {say(next.expect)}</>}</p>
      {next.sure && <p className="quiet">{say(next.sure)}</p>}
    </section>
  );
}

/** What was said of a bead, at a glance: verdict and the one change. */
export function VerdictSummary({
  number,
  judgement,
  ruled,
  heading,
}: {
  number: number;
  judgement: Judgement;
  ruled?: Schemas['Verdict'] | null;
  /** Where the focus goes when the verdict has just come. */
  heading?: Ref<HTMLHeadingElement>;
}) {
  const say = useSay();
  const overruled = ruled !== null && ruled !== undefined && ruled !== judgement.verdict;
  return (
    <div className={css.verdictPanel}>
      <div className={css.verdictHead}>
        <h2 ref={heading} tabIndex={-1}>
          <VerdictMark verdict={ruled ?? judgement.verdict} large />
        </h2>
        <p>
          Bead {number}. {say(judgement.summary)}
          {overruled && (
            <span className="quiet">
              {' '}
              The instructor says {verdicts[ruled].toLowerCase()}; the tool said{' '}
              {verdicts[judgement.verdict].toLowerCase()}.
            </span>
          )}
        </p>
      </div>
      {judgement.followUp && (
        <p className={css.followUp} data-outcome={judgement.followUp.outcome} role="note">
          {say(judgement.followUp.text)}
        </p>
      )}
      {judgement.next && <NextChange next={judgement.next} />}
      {judgement.also && (
        <p className="second-cause" role="note">
          Two things at once, it seems. After this one: <b>{say(judgement.also.words)}</b> (
          {judgement.also.for.map(say).join('; ')}).
        </p>
      )}
      {judgement.contradiction && <p className={css.contradiction}>{say(judgement.contradiction)}</p>}
    </div>
  );
}

/** Why: aspect by aspect, the likeliest causes, and what was not looked at. */
export function VerdictReasons({ judgement }: { judgement: Judgement }) {
  const say = useSay();
  return (
    <div className={css.verdictPanel}>
      <dl className={css.aspects} aria-label="Reasons">
        {judgement.aspects.map((aspect) => (
          <div key={aspect.aspect} data-standing={aspect.standing}>
            <dt>
              <span aria-hidden="true">{{ right: '✓', off: '✕', notKnown: '?' }[aspect.standing]}</span>
              {aspects[aspect.aspect]}
            </dt>
            <dd>{say(aspect.text)}</dd>
          </div>
        ))}
      </dl>
      {judgement.expected.length > 0 && (
        <section aria-label="What these settings should give">
          <h3>What these settings should give</h3>
          <ul className={css.expected}>
            {judgement.expected.map((row) => (
              <li key={row.aspect} data-match={row.match}>
                {say(row.text)} <span className={css.match}>{matches[row.match]}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {judgement.verdict !== 'right' && judgement.causes.length > 0 && (
        <section aria-label="Causes">
          <h3>Likeliest cause</h3>
          <ol className={css.causes}>
            {judgement.causes
              .filter((cause, i) => i === 0 || cause.share >= 0.05)
              .map((cause) => (
                <li key={cause.cause}>
                  <span className={css.causeName}>{say(cause.words)}</span>
                  <span className={css.share} aria-hidden="true">
                    <span style={{ width: `${cause.share * 100}%` }} />
                  </span>
                  <span className="quiet">{likely(cause.share)}</span>
                  {cause.for.length > 0 && <p>For: {cause.for.map(say).join('; ')}.</p>}
                  {cause.against.length > 0 && (
                    <p className="quiet">Against: {cause.against.map(say).join('; ')}.</p>
                  )}
                </li>
              ))}
          </ol>
        </section>
      )}
      {judgement.telling && judgement.next?.kind !== 'look' && (
        <section className={css.telling} aria-label="Most telling look">
          <h3>Look at this next</h3>
          <p>
            <b>{say(judgement.telling.text)}</b>
          </p>
          <p className="quiet">It would tell apart: {judgement.telling.between.map(say).join(' / ')}.</p>
        </section>
      )}
      {judgement.stillUnknown.length > 0 && (
        <section aria-label="Still unknown">
          <h3>Not looked at yet</h3>
          <ul>
            {judgement.stillUnknown.map((text) => (
              <li key={say(text)}>{say(text)}</li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

const likely = (share: number) => (share >= 0.6 ? 'likely' : share >= 0.3 ? 'may be' : 'less likely');
