import { useQuery } from '@tanstack/react-query';
import { Fragment } from 'react';
import type { Schemas } from '../../shared/api/client';
import { asLoading, Loaded } from '../../shared/Loaded';
import { day, dayWithYear } from '../../shared/time';
import { counted } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import { AgreementTable } from './AgreementTable';
import css from './progress.module.css';
import { progressQueries } from './queries';

type Progress = Schemas['StudentProgress'];

const drills: Record<Schemas['DrillKind'], string> = {
  ear: 'Ear',
  eye: 'Eye',
  setMachine: 'Set the machine',
};

/** What keeps going wrong, the own eye, and the term in figures. */
export function TermPanels({ studentId }: { studentId: string }) {
  const progress = useQuery(progressQueries.of(studentId));
  return (
    <Loaded of={asLoading(progress)} what="the term">
      {(of) => (
        <div className={css.columns}>
          <Recurring all={of.recurring} />
          <div className="stack">
            <section className="panel stack" aria-label="Own eye">
              <h2>Own verdict beside the instructor’s</h2>
              <AgreementTable
                rows={of.ownEye}
                none="Say what you see of a bead before the tool does, and it shows here."
              />
            </section>
            <Term of={of} />
          </div>
        </div>
      )}
    </Loaded>
  );
}

function Recurring({ all }: { all: Schemas['RecurringCause'][] }) {
  const say = useSay();
  return (
    <section className="panel stack" aria-label="What keeps going wrong">
      <h2>What keeps going wrong</h2>
      {all.length === 0 && <p className="quiet">Nothing came twice.</p>}
      <ul className="plain-list stack">
        {all.map((one) => (
          <li key={one.cause}>
            <b>{say(one.words)}</b> {one.gone && <span className="quiet">gone since {day(one.last)}</span>}
            <p className="quiet">
              {counted(one.beads, 'bead')} on {counted(one.evenings, 'evening')}, last on {day(one.last)}
            </p>
            {one.curedBy && <p>It helped: {say(one.curedBy)}</p>}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Term({ of }: { of: Progress }) {
  const { came, missed, late } = of.attended;
  const hours = of.arcMinutes / 60;
  return (
    <section className="panel stack" aria-label="The term in figures">
      <h2>The term in figures</h2>
      <dl className={css.figures}>
        <dt>Arc</dt>
        <dd>
          {hours >= 1 ? `${hours.toFixed(1)} h` : `${Math.round(of.arcMinutes)} min`}
          {of.since && (
            <span className="quiet">
              {' '}
              in {counted(of.beads, 'bead')} since {dayWithYear(of.since)}
            </span>
          )}
        </dd>
        <dt>Came</dt>
        <dd>
          {came + missed === 0 ? 'not noted yet' : `${came} of ${counted(came + missed, 'time')}`}
          {late > 0 && <span className="quiet"> ({late} late)</span>}
        </dd>
        {of.drills.map(({ kind, answered, right, level }) => (
          <Fragment key={kind}>
            <dt>Drill: {drills[kind]}</dt>
            <dd>
              {answered === 0 ? 'none yet' : `${right} of ${answered} right`}
              {answered > 0 && <span className="quiet"> at level {level + 1}</span>}
            </dd>
          </Fragment>
        ))}
      </dl>
    </section>
  );
}
