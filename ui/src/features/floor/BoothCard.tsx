import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { verdicts } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { BeadGlyph } from '../judging/BeadGlyph';
import { AgreeKey } from '../judging/OwnRuling';
import { VerdictMark } from '../judging/VerdictMark';
import { WhoStands } from '../sessions/WhoStands';
import { jobLine } from '../sheets/JobLine';
import css from './floor.module.css';
import { NeedMark } from './NeedMark';
import { SeenKey } from './SeenKey';

/** One booth of a few: who stands there, what they ask for, on what, how the last bead came out and what to change next. */
export function BoothCard(props: {
  view: Schemas['BoothView'];
  sessionId: string | undefined;
  waiting: Schemas['PersonName'][];
  now: number;
  onOpen: () => void;
}) {
  const say = useSay();
  const { booth, machineNames, student, job, positionName, need, last, own } = props.view;
  return (
    <article className={css.card} aria-label={`Booth ${booth.number}`} data-need={need?.kind}>
      <header>
        <BoothNumber number={booth.number} />
        <div className={css.whoAt}>
          {props.sessionId && (
            <WhoStands sessionId={props.sessionId} booth={booth} student={student} waiting={props.waiting} />
          )}
        </div>
        <Button component={Link} to={`/booths/${booth.id}`} variant="default">
          Sheet
        </Button>
        <Button component={Link} to={`/booths/${booth.id}/bench`} variant={job ? 'filled' : 'default'}>
          Bench
        </Button>
      </header>
      <div className={css.asks}>
        <div className={css.why}>
          {need && student && (
            <p className={css.line}>
              <NeedMark need={need} now={props.now} /> <span className="quiet">{say(need.why)}</span>
            </p>
          )}
          <p className="job-line">
            {job ? (
              <>
                {jobLine(job)} <span className="quiet">{positionName}, </span>
              </>
            ) : (
              <span className="quiet">No sheet given out, </span>
            )}
            <span className="quiet">{machineNames.join(', ') || 'No machine'}</span>
          </p>
        </div>
        {last && own && <AgreeKey beadId={last.id} own={own} />}
        {need && student && props.sessionId && (
          <>
            <SeenKey sessionId={props.sessionId} boothId={booth.id} student={student} />
            <Button
              variant="default"
              aria-haspopup="dialog"
              aria-label={`More for booth ${booth.number}`}
              onClick={props.onOpen}
            >
              More
            </Button>
          </>
        )}
      </div>
      <LastBead {...props} />
    </article>
  );
}

function LastBead({ view, sessionId }: { view: Schemas['BoothView']; sessionId: string | undefined }) {
  const say = useSay();
  const { job, last, before, next } = view;
  return (
    <div className={css.last}>
      {last && job ? (
        <>
          <BeadGlyph shape={last.shape} joint={job.joint} title={`Last bead, ${verdicts[last.verdict]}`} />
          <div className={css.verdict}>
            <VerdictMark verdict={last.verdict} large />
            <span className="quiet">
              bead {last.number}
              {before.length > 0 &&
                `, after ${before.map((verdict) => verdicts[verdict].toLowerCase()).join(', ')}`}
            </span>
            {next && <p className={css.advised}>{say(next)}</p>}
          </div>
        </>
      ) : (
        <p className="empty-coupon">
          {job ? 'No bead yet' : sessionId ? 'Make a sheet first' : 'Start a session first'}
        </p>
      )}
    </div>
  );
}
