import { Button } from '@mantine/core';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { VerdictMark } from '../judging/VerdictMark';
import { WhoStands } from '../sessions/WhoStands';
import { jobLine } from '../sheets/JobLine';
import css from './floor.module.css';
import { NeedMark } from './NeedMark';
import { ago } from './order';

/** One booth among many: who, what they ask for, the last bead. A key to the rest; where there is room it has keys of its own. */
export function BoothTile(props: {
  view: Schemas['BoothView'];
  sessionId: string | undefined;
  waiting: Schemas['PersonName'][];
  now: number;
  roomy: boolean;
  onOpen: () => void;
}) {
  const { booth, student, need } = props.view;
  const { sessionId, roomy } = props;
  return (
    <article className={css.tile} aria-label={`Booth ${booth.number}`} data-need={need?.kind}>
      {roomy && sessionId && (
        <header>
          <BoothNumber number={booth.number} />
          <div className={css.whoAt}>
            <WhoStands sessionId={sessionId} booth={booth} student={student} waiting={props.waiting} />
          </div>
        </header>
      )}
      <button type="button" onClick={props.onOpen} aria-haspopup="dialog">
        {!roomy && (
          <span className={css.tileHead}>
            <BoothNumber number={booth.number} small />
            {student ? (
              <b className={css.one}>{student.name}</b>
            ) : (
              <span className={`quiet ${css.one}`}>Nobody here yet</span>
            )}
          </span>
        )}
        <What view={props.view} now={props.now} />
        {roomy && <span className="quiet">More</span>}
      </button>
      {roomy && (
        <footer>
          <Button component={Link} to={`/booths/${booth.id}`} variant="default">
            Sheet
          </Button>
          <Button component={Link} to={`/booths/${booth.id}/bench`}>
            Bench
          </Button>
        </footer>
      )}
    </article>
  );
}

function What({ view, now }: { view: Schemas['BoothView']; now: number }) {
  const { student, job, last, lastAt, need } = view;
  return (
    <>
      {need && student && <NeedMark need={need} now={now} />}
      {student && job && <span className={`quiet ${css.one}`}>{jobLine(job)}</span>}
      {last && (
        <span className={css.one}>
          <VerdictMark verdict={last.verdict} /> {lastAt && <span className="quiet">{ago(lastAt, now)}</span>}
        </span>
      )}
    </>
  );
}
