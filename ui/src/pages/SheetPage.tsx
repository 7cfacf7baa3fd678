import { useState } from 'react';
import { Refused, type Schemas } from '../shared/api/client';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { useBoothData } from '../features/sessions/BoothFrame';
import { AlternativesPanel } from '../features/sheets/AlternativesPanel';
import { AssignPanel } from './AssignPanel';
import { JobForm } from '../features/sheets/JobForm';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { Cautions, jobLine, SheetView, WithLine } from '../features/sheets/SheetView';
import { asTyped, type Job, useSheet } from '../features/sheets/useSheets';

/** A new job: what was worked on last, or a T joint in whatever is on the machine. */
const firstJob = (coupon: Schemas['Coupon'] | null): Job =>
  coupon
    ? asTyped(coupon.sheet.body.job)
    : {
        thickness: '',
        otherThickness: null,
        joint: 't',
        position: 'flat',
        process: null,
        metal: null,
        wire: null,
        gas: null,
        polarity: null,
      };

/** Type a thickness, pick a joint, see the sheet, give it to the student. */
export function SheetPage() {
  const { session, booth, machine, student, coupon } = useBoothData();
  const [job, setJob] = useState<Job>(() => firstJob(coupon));
  const set = (change: Partial<Job>) => setJob((before) => ({ ...before, ...change }));
  const computed = useSheet(job, booth.id, session.id);
  const refused = computed.error instanceof Refused ? computed.error : null;
  const typed = (job.thickness ?? '').trim() !== '';
  const sheet = typed && !refused ? computed.data : undefined;
  useSheetAtHand(sheet);
  return (
    <div className="two-columns">
      <section className="panel job" aria-label="Job">
        <JobForm
          job={job}
          set={set}
          sheet={sheet}
          refused={refused}
          again={() => computed.refetch()}
          onPick={(picked) => setJob(picked)}
        />
        <AssignPanel
          disabled={!sheet || computed.isPlaceholderData}
          job={job}
          session={session}
          booth={booth}
          student={student}
          given={coupon?.sheet}
          current={sheet}
        />
      </section>
      <div className={computed.isPlaceholderData ? 'stack stale' : 'stack'}>
        {sheet ? (
          <>
            <section className="panel" aria-label="Settings sheet">
              <h2>
                {jobLine(sheet.job)} <span className="quiet">{sheet.positionName}</span>
              </h2>
              <p className="quiet with-line">
                <WithLine sheet={sheet} />
              </p>
              <SheetView sheet={sheet} machine={machine} />
            </section>
            <div className="side-by-side">
              {sheet.pair && (
                <section className="panel" aria-label="Settings plane">
                  <SettingsPlane pair={sheet.pair} beads={[]} />
                </section>
              )}
              <section className="panel">
                <Cautions sheet={sheet} />
              </section>
            </div>
            <AlternativesPanel job={job} boothId={booth.id} onPick={set} />
          </>
        ) : (
          <div className="panel empty">
            <p>
              {typed
                ? 'No sheet for this job. The field says why.'
                : 'Type the plate’s thickness. The sheet appears as you type.'}
            </p>
          </div>
        )}
      </div>
    </div>
  );
}
