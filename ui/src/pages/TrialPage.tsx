import { Button, Loader } from '@mantine/core';
import { useInterval } from '@mantine/hooks';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Trouble } from '../shared/Trouble';
import { BeadGlyph } from '../features/judging/BeadGlyph';
import { CaptureForm } from '../features/beads/CaptureForm';
import { asLaid, asMarks } from '../features/beads/CouponPlate';
import { VerdictMark } from '../features/judging/VerdictMark';
import { useBoothData } from '../features/sessions/BoothFrame';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { verdicts } from '../shared/words';
import { Curves } from '../features/trials/Curves';
import { useEndTrial, useTrial } from '../features/trials/useTrials';
import '../features/trials/trials.css';
import { useSay } from '../shared/words/useSay';

/** A trial: what to set and hold, the next bead, and what came of it. */
export function TrialPage() {
  const say = useSay();
  const { trialId = '' } = useParams();
  const { booth, machine, coupon } = useBoothData();
  const trial = useTrial(trialId);
  const end = useEndTrial(trialId);
  const [chosen, setChosen] = useState<number>();
  if (trial.isLoadingError) return <Trouble error={trial.error} again={() => trial.refetch()} />;
  if (!trial.data) return <Loader m="xl" aria-label="Loading the trial" />;
  const { beads, result, nextStep, fitAt } = trial.data;
  const { plan, endedAt } = trial.data.trial;
  const number = chosen ?? nextStep;
  const step = plan.steps.find((one) => one.number === number);
  const over = result.done || endedAt !== null;
  const laying = step && (chosen !== undefined || !over) ? step : undefined;
  return (
    <div className="trial">
      <section className="panel stack" aria-label="The trial">
        <div className="row trial-head">
          <h2>
            {say(plan.title)} <span className="quiet">{say(plan.question)}</span>
          </h2>
          <Button component={Link} to={`/booths/${booth.id}/trials`} variant="default" size="md">
            All trials
          </Button>
          <Button
            variant="default"
            size="md"
            loading={end.isPending}
            onClick={() => end.mutate(endedAt === null)}
          >
            {endedAt === null ? 'End it' : 'Take it up again'}
          </Button>
        </div>
        <ol className="steps" aria-label="Steps">
          {plan.steps.map((one) => {
            const laid = beads.filter((bead) => bead.place.step === one.number);
            const last = laid.at(-1);
            return (
              <li key={one.number} className={one.number === laying?.number ? 'now' : ''}>
                <button type="button" onClick={() => setChosen(one.number)}>
                  <span className="step-title">
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
                        <span key={unfair.unfair} className="unfair">
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
        <div className="trial-lay">
          <section className="panel stack hold" aria-label="Hold">
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

/** How long the piece still wants before it can be compared. */
function Cooling({ until }: { until: string }) {
  const [now, setNow] = useState(Date.now);
  useInterval(() => setNow(Date.now()), 1000, { autoInvoke: true });
  const left = Math.round((Date.parse(until) - now) / 1000);
  if (left <= 0) return <p>The last piece is cold again, by estimate.</p>;
  return (
    <p className="cooling" role="timer">
      The last piece is warm for{' '}
      <b>
        {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
      </b>{' '}
      yet, by estimate. Quench and dry it, or take a fresh one.
    </p>
  );
}
