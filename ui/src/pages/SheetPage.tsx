import { useDebouncedValue, useSessionStorage } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { memo, useCallback, useDeferredValue, useState } from 'react';
import { Refused, type Schemas } from '../shared/api/client';
import { Choice } from '../shared/Choice';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { useBoothData } from '../features/sessions/BoothFrame';
import { AlternativesPanel } from '../features/sheets/AlternativesPanel';
import { Cautions } from '../features/sheets/Cautions';
import { JobForm } from '../features/sheets/JobForm';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { type Job, sheetQueries } from '../features/sheets/queries';
import { RefusalPanel } from '../features/sheets/RefusalPanel';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { SheetView } from '../features/sheets/SheetView';
import { asTyped } from '../features/sheets/useSheets';
import { AssignPanel } from './AssignPanel';
import css from '../features/sheets/sheets.module.css';

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
  const { session, booth, machines, machineId, student, coupon } = useBoothData();
  // Kept in the tab until it is given out: a reload loses no job.
  const [job, setJob] = useSessionStorage<Job>({
    key: `job-${session.id}-${booth.id}-${coupon?.sheet.id ?? 'first'}`,
    defaultValue: firstJob(coupon),
    getInitialValueInEffect: false,
  });
  const set = useCallback((change: Partial<Job>) => setJob((before) => ({ ...before, ...change })), [setJob]);
  const [picked, setPicked] = useState(machineId);
  // Moved away while the page stood open, the machine at hand takes its place.
  const here = machines.find(({ id }) => id === picked) ?? machines.find(({ id }) => id === machineId);
  const at = { boothId: booth.id, machineId: here?.id ?? machineId };
  const computed = useQuery(sheetQueries.sheet(job, at, session.id));
  const refused = computed.error instanceof Refused ? computed.error : null;
  const typed = (job.thickness ?? '').trim() !== '';
  const sheet = typed && !refused ? computed.data : undefined;
  useSheetAtHand(sheet);
  // An answer that comes at once is not announced by a page that greys and comes back.
  const [waits] = useDebouncedValue(computed.isPlaceholderData, 200);
  const late = computed.isPlaceholderData && waits;
  // The numbers first; the picture and the cautions follow as soon as they stand.
  const explained = useDeferredValue(sheet);
  return (
    <div className="two-columns">
      <section className={`panel ${css.job}`} aria-label="Job">
        {machines.length > 1 && (
          <Choice
            title="Machine"
            className={css.machine}
            words={Object.fromEntries(machines.map(({ id, machine }) => [id, machine.name]))}
            value={at.machineId}
            onChange={(id) => id && setPicked(id)}
          />
        )}
        <JobForm job={job} set={set} sheet={sheet} refused={refused} onPick={setJob} />
      </section>
      <div className={late ? 'stack stale' : 'stack'}>
        {sheet && (
          <>
            <section className="panel" aria-label="Settings sheet">
              <div className={css.sheetHead}>
                <div aria-live="polite">
                  <h2>
                    {jobLine(sheet.job)} <span className="quiet">{sheet.positionName}</span>
                  </h2>
                  <p className="quiet">
                    <WithLine sheet={sheet} />
                  </p>
                </div>
                <AssignPanel
                  disabled={late}
                  job={job}
                  session={session}
                  at={at}
                  student={student}
                  given={coupon?.sheet}
                  current={sheet}
                />
              </div>
              <SheetView sheet={sheet} machine={here?.machine ?? null} />
            </section>
            {explained && <Explained sheet={explained} />}
            <AlternativesPanel job={job} at={at} onPick={set} />
          </>
        )}
        {typed && refused && (
          <RefusalPanel
            job={job}
            at={at}
            refused={refused}
            again={() => void computed.refetch()}
            onPick={set}
          />
        )}
        {!typed && (
          <div className="panel empty">
            <p>Type the plate’s thickness. The sheet appears as you type.</p>
          </div>
        )}
      </div>
    </div>
  );
}

const none: never[] = [];

const Explained = memo(function Explained({ sheet }: { sheet: Schemas['Sheet'] }) {
  return (
    <div className="side-by-side">
      {sheet.pair && (
        <section className="panel" aria-label="Settings plane">
          <SettingsPlane pair={sheet.pair} beads={none} />
        </section>
      )}
      <section className="panel">
        <Cautions sheet={sheet} />
      </section>
    </div>
  );
});
