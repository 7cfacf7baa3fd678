import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { CaptureForm } from '../features/beads/CaptureForm';
import { asLaid, asMarks } from '../features/beads/CouponPlate';
import { VerdictMark } from '../features/judging/VerdictMark';
import { useBoothData } from '../features/sessions/BoothFrame';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { verdicts } from '../shared/words';
import { Cooling } from '../features/trials/Cooling';
import { Curves } from '../features/trials/Curves';
import { trialQueries } from '../features/trials/queries';
import { useEndTrial } from '../features/trials/useTrials';
import { useSay } from '../shared/words/useSay';
import css from './trial.module.css';

/** A trial: what to set and hold, the next bead, and what came of it. */
export function TrialPage() {
  const { trialId = '' } = useParams();
  const trial = useQuery(trialQueries.one(trialId));
  return (
    <Loaded of={asLoading(trial)} what="this trial">
      {(view) => <Trial view={view} />}
    </Loaded>
  );
}

function Trial({ view }: { view: Schemas['TrialView'] }) {
  const say = useSay();
  const { booth, machine, coupon } = useBoothData();
  const trialId = view.trial.id;
  const end = useEndTrial(trialId);
  const [chosen, setChosen] = useState<number>();
  const { beads, result, nextStep, fitAt } = view;
  const { plan, endedAt } = view.trial;
  const number = chosen ?? nextStep;
  const step = plan.steps.find((one) => one.number === number);
  const over = result.done || endedAt !== null;
  const laying = step && (chosen !== undefined || !over) ? step : undefined;
  return (
    <div className={css.trial}>
      <section className="panel stack" aria-label="The trial">
        <div className="row head-row">
          <h2>
            {say(plan.title)} <span className="quiet">{say(plan.question)}</span>
          </h2>
          <Button component={Link} to={`/booths/${booth.id}/trials`} variant="default">
            All trials
          </Button>
          <Button variant="default" loading={end.isPending} onClick={() => end.mutate(endedAt === null)}>
            {endedAt === null ? 'End it' : 'Take it up again'}
          </Button>
        </div>
        <ol className={css.steps} aria-label="Steps">
          {plan.steps.map((one) => {
            const laid = beads.filter((bead) => bead.place.step === one.number);
            const last = laid.at(-1);
            return (
              <li key={one.number} className={one.number === laying?.number ? css.now : ''}>
                <button type="button" onClick={() => setChosen(one.number)}>
                  <span className={css.stepTitle}>
                    {one.number}. {say(one.title)}
                  </span>
                  <b className="reads">{say(one.reads)}</b>
                  {last ? (
                    <>
                      <BeadGlyph
                        shape={last.bead.judgement.shape}
                        joint={last.bead.judgement.shape.joint}
                        title={`Bead ${last.bead.number}, ${verdicts[last.bead.ruled ?? last.bead.judgement.verdict]}`}
                      />
                      <VerdictMark verdict={last.bead.ruled ?? last.bead.judgement.verdict} />
                      {last.unfair.map((unfair) => (
                        <span key={unfair.unfair} className={css.unfair}>
                          {say(unfair.text)}
                        </span>
                      ))}
                    </>
                  ) : (
                    <span className="empty-coupon">not laid yet</span>
                  )}
                </button>
              </li>
            );
          })}
        </ol>
        {result.learned && (
          <p className="learned" aria-label="Learned" role="note">
            {say(result.learned)}
          </p>
        )}
      </section>
      {laying && coupon && (
        <div className={css.trialLay}>
          <section className={`panel stack ${css.hold}`} aria-label="Hold">
            <h2>
              Set <b>{say(laying.reads)}</b>
            </h2>
            <ul>
              {plan.hold.map((hold) => (
                <li key={say(hold)}>{say(hold)}</li>
              ))}
            </ul>
            {fitAt && <Cooling until={fitAt} />}
          </section>
          <CaptureForm
            key={`${trialId}-${laying.number}`}
            sheet={coupon.sheet}
            machine={machine}
            last={undefined}
            laying={{ trialId, step: laying }}
            onRecorded={() => {
              setChosen(undefined);
              window.scrollTo({ top: 0 });
            }}
          />
        </div>
      )}
      {beads.length > 0 && (
        <div className="two-columns">
          {coupon?.sheet.body.pair && (
            <section className="panel" aria-label="Settings plane">
              <SettingsPlane
                pair={coupon.sheet.body.pair}
                beads={asMarks(beads.map((entry) => asLaid(entry.bead)))}
              />
            </section>
          )}
          {result.curves.length > 0 && (
            <section className="panel" aria-label="Measured curves">
              <Curves plan={plan} curves={result.curves} />
            </section>
          )}
        </div>
      )}
    </div>
  );
}
