import type { Schemas } from '../../shared/api/client';
import { BoothNumber } from '../../shared/page/BoothNumber';
import { VerdictMark } from '../judging/VerdictMark';
import { jobLine } from '../sheets/JobLine';
import css from './floor.module.css';
import { NeedMark } from './NeedMark';
import { ago } from './order';

/** One booth among many: who, what they ask for, the last bead. All of it is a key to the rest. */
export function BoothTile(props: { view: Schemas['BoothView']; now: number; onOpen: () => void }) {
  const { booth, student, job, last, lastAt, need } = props.view;
  return (
    <article className={css.tile} aria-label={`Booth ${booth.number}`} data-need={need?.kind}>
      <button type="button" onClick={props.onOpen} aria-haspopup="dialog">
        <span className={css.tileHead}>
          <BoothNumber number={booth.number} small />
          <b className={css.one}>{student?.name ?? 'Nobody here yet'}</b>
        </span>
        {need && student && <NeedMark need={need} now={props.now} />}
        {student && <span className={`quiet ${css.one}`}>{job ? jobLine(job) : 'No sheet given out'}</span>}
        {last && (
          <span className={css.one}>
            <VerdictMark verdict={last.verdict} />{' '}
            {lastAt && <span className="quiet">{ago(lastAt, props.now)}</span>}
          </span>
        )}
      </button>
    </article>
  );
}
