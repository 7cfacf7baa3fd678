import { useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { moment } from '../shared/time';
import { VerdictSummary } from '../features/judging/VerdictPanel';
import { useMe } from '../shared/useMe';
import { jobLine } from '../features/sheets/JobLine';
import { BeadDetail } from '../features/beads/BeadDetail';
import { asLaid, CouponPlate } from '../features/beads/CouponPlate';
import { useBeadFile } from '../features/beads/useBeads';

/** One bead of any evening: what was said of it, its pictures, what can still be added. */
export function BeadPage() {
  const { beadId = '' } = useParams();
  const file = useBeadFile(beadId);
  return (
    <Loaded of={asLoading(file)} what="this bead">
      {(data) => <OneBead file={data} />}
    </Loaded>
  );
}

function OneBead({ file }: { file: Schemas['BeadFile'] }) {
  const instructor = useMe().data?.role === 'instructor';
  const { bead, sheet, body, machineId } = file;
  return (
    <Page
      title={`Bead ${bead.number}`}
      under={`${jobLine((body ?? sheet.body).job)}, ${moment(bead.recordedAt)}`}
      back={
        instructor
          ? { to: `/students/${sheet.studentId}`, label: 'Back to the rack' }
          : { to: '/rack', label: 'Back to your rack' }
      }
    >
      <div className="two-columns even">
        <div className="stack">
          <section className="panel" aria-label="Verdict">
            <VerdictSummary number={bead.number} judgement={bead.judgement} ruled={bead.ruled ?? null} />
          </section>
          <section className="panel" aria-label="Bead">
            <CouponPlate beads={[asLaid(bead)]} />
          </section>
        </div>
        <div className="stack">
          <BeadDetail bead={bead} sheet={sheet} machineId={machineId} mayWrite={instructor} />
        </div>
      </div>
    </Page>
  );
}
