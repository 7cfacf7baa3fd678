import { Button, Loader } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { useNavigate, useParams } from 'react-router';
import { Trouble } from '../shared/Trouble';
import { moment } from '../shared/units';
import { VerdictSummary } from '../features/judging/VerdictPanel';
import { useMe } from '../shared/useMe';
import { jobLine } from '../features/sheets/SheetView';
import { BeadDetail } from '../features/beads/BeadDetail';
import { asLaid, CouponPlate } from '../features/beads/CouponPlate';
import { useBeadFile } from '../features/beads/useBeads';

/** One bead of any evening: what was said of it, its pictures, what can still be added. */
export function BeadPage() {
  const { beadId = '' } = useParams();
  const navigate = useNavigate();
  const me = useMe().data;
  const file = useBeadFile(beadId);
  if (file.isLoadingError) return <Trouble error={file.error} again={() => file.refetch()} />;
  if (!file.data || !me) return <Loader m="xl" aria-label="Loading the bead" />;
  const { bead, sheet, body, machineId } = file.data;
  return (
    <>
      <div className="page-head">
        <Button variant="subtle" className="back" px={0} aria-label="Back" onClick={() => navigate(-1)}>
          <IconArrowLeft />
        </Button>
        <div>
          <h1>Bead {bead.number}</h1>
          <p className="quiet">
            {jobLine((body ?? sheet.body).job)}, {moment(bead.recordedAt)}
          </p>
        </div>
      </div>
      <div className="bead-page">
        <div className="stack">
          <section className="panel" aria-label="Verdict">
            <VerdictSummary number={bead.number} judgement={bead.judgement} ruled={bead.ruled ?? null} />
          </section>
          <section className="panel" aria-label="Bead">
            <CouponPlate beads={[asLaid(bead)]} />
          </section>
        </div>
        <div className="stack">
          <BeadDetail bead={bead} sheet={sheet} machineId={machineId} mayWrite={me.role === 'instructor'} />
        </div>
      </div>
    </>
  );
}
