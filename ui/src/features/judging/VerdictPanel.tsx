import type { Schemas } from '../../shared/api/client';
import { aspects } from '../../shared/words';
import { VerdictMark } from './VerdictMark';

type Judgement = Schemas['Judgement'];

/** The one change, large enough to read from the booth's curtain. */
export function NextChange({ next }: { next: NonNullable<Judgement['next']> }) {
  return (
    <section className="next-change" aria-label="Next change">
      <h3>Change next</h3>
      <p className="instruction">{next.instruction}</p>
      {next.then && <p>{next.then}</p>}
      <p className="quiet">Expect: {next.expect}</p>
    </section>
  );
}

/** What was said of a bead, at a glance: verdict and the one change. */
export function VerdictSummary({ number, judgement }: { number: number; judgement: Judgement }) {
  return (
    <div className="verdict-panel">
      <div className="verdict-head">
        <VerdictMark verdict={judgement.verdict} large />
        <p>
          Bead {number}. {judgement.summary}
        </p>
      </div>
      {judgement.next && <NextChange next={judgement.next} />}
      {judgement.contradiction && <p className="contradiction">{judgement.contradiction}</p>}
    </div>
  );
}

/** Why: aspect by aspect, the likeliest causes, and what was not looked at. */
export function VerdictReasons({ judgement }: { judgement: Judgement }) {
  return (
    <div className="verdict-panel">
      <dl className="aspects" aria-label="Reasons">
        {judgement.aspects.map((aspect) => (
          <div key={aspect.aspect} className={`standing-${aspect.standing}`}>
            <dt>
              <span aria-hidden="true">{{ right: '✓', off: '✕', notKnown: '?' }[aspect.standing]}</span>
              {aspects[aspect.aspect]}
            </dt>
            <dd>{aspect.text}</dd>
          </div>
        ))}
      </dl>
      {judgement.verdict !== 'right' && judgement.causes.length > 0 && (
        <section aria-label="Causes">
          <h3>Likeliest cause</h3>
          <ol className="causes">
            {judgement.causes
              .filter((cause, i) => i === 0 || cause.share >= 0.05)
              .map((cause) => (
                <li key={cause.cause}>
                  <span className="cause-name">{cause.words}</span>
                  <span className="share" aria-hidden="true">
                    <span style={{ width: `${cause.share * 100}%` }} />
                  </span>
                  <span className="quiet">{likely(cause.share)}</span>
                  {cause.for.length > 0 && <p>For: {cause.for.join('; ')}.</p>}
                  {cause.against.length > 0 && <p className="quiet">Against: {cause.against.join('; ')}.</p>}
                </li>
              ))}
          </ol>
        </section>
      )}
      {judgement.stillUnknown.length > 0 && (
        <section aria-label="Still unknown">
          <h3>Not looked at yet</h3>
          <ul>
            {judgement.stillUnknown.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

const likely = (share: number) => (share >= 0.6 ? 'likely' : share >= 0.3 ? 'may be' : 'less likely');
