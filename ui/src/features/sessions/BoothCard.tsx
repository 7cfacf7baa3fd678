import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { verdicts } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { BeadGlyph } from '../judging/BeadGlyph';
import { VerdictMark } from '../judging/VerdictMark';
import { jobLine } from '../sheets/JobLine';
import css from './booths.module.css';
import { WhoStands } from './WhoStands';

/** One booth: who stands there, on what, how the last bead came out and what to change next. */
export function BoothCard(props: {
  view: Schemas['BoothView'];
  sessionId: string | undefined;
  waiting: Schemas['PersonName'][];
}) {
  const say = useSay();
  const { booth, machineNames, student, job, positionName, last, before, next } = props.view;
  return (
    <article className={css.boothCard} aria-label={`Booth ${booth.number}`}>
      <header>
        <BoothNumber number={booth.number} />
        <div>
          {props.sessionId && (
            <WhoStands sessionId={props.sessionId} booth={booth} student={student} waiting={props.waiting} />
          )}
          <p className="quiet">{machineNames.join(', ') || 'No machine'}</p>
        </div>
      </header>
      <p className="job-line">
        {job ? (
          <>
            {jobLine(job)} <span className="quiet">{positionName}</span>
          </>
        ) : (
          <span className="quiet">No sheet given out</span>
        )}
      </p>
      <div className={css.lastBead}>
        {last && job ? (
          <>
            <BeadGlyph shape={last.shape} joint={job.joint} title={`Last bead, ${verdicts[last.verdict]}`} />
            <div className={css.beadRun}>
              <VerdictMark verdict={last.verdict} large />
              <span className="quiet">
                bead {last.number}
                {before.length > 0 &&
                  `, after ${before.map((verdict) => verdicts[verdict].toLowerCase()).join(', ')}`}
              </span>
            </div>
          </>
        ) : (
          <p className="empty-coupon">
            {job ? 'No bead yet' : props.sessionId ? 'Make a sheet first' : 'Start a session first'}
          </p>
        )}
      </div>
      {next && <p className={css.advised}>{say(next)}</p>}
      <footer>
        <Button component={Link} to={`/booths/${booth.id}`} variant="default" size="lg">
          Sheet
        </Button>
        <Button
          component={Link}
          to={`/booths/${booth.id}/bench`}
          size="lg"
          variant={job ? 'filled' : 'default'}
        >
          Bench
        </Button>
      </footer>
    </article>
  );
}
