import { Button, Loader } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { Trouble } from '../shared/Trouble';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { VerdictSummary } from '../features/judging/VerdictPanel';
import { useBoothData } from '../features/sessions/BoothFrame';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { jobLine } from '../features/sheets/JobLine';
import { BeadDetail } from '../features/beads/BeadDetail';
import { CaptureForm } from '../features/beads/CaptureForm';
import { asMarks, CouponPlate } from '../features/beads/CouponPlate';
import { useBeadFile, useJustLaid } from '../features/beads/useBeads';
import { useEarlier } from '../features/beads/useEarlier';
import css from './bench.module.css';

/** Record a bead, read its verdict, record the next. */
export function BenchPage() {
  const { booth, coupon } = useBoothData();
  useSheetAtHand(coupon?.sheet.body);
  if (!coupon) {
    return (
      <div className="panel empty">
        <p>No sheet has been given out at this booth yet.</p>
        <Button component={Link} to={`/booths/${booth.id}`} size="lg">
          Make the sheet
        </Button>
      </div>
    );
  }
  return <Bench key={coupon.sheet.id} coupon={coupon} />;
}

function Bench({ coupon }: { coupon: Schemas['Coupon'] }) {
  const { machine, machineId } = useBoothData();
  const [chosen, setChosen] = useState<string>();
  // The verdict that has just come takes the focus: it is read out, and the next change with it.
  const [recorded, setRecorded] = useState<string>();
  const verdict = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (recorded === undefined) return;
    verdict.current?.focus({ preventScroll: true });
    // On a tablet it stands above the form.
    window.scrollTo({ top: 0 });
  }, [recorded]);
  const { sheet, last } = coupon;
  const justLaid = useJustLaid(sheet, machineId);
  const { beads, onEarlier } = useEarlier({ ...coupon, sheetId: sheet.id });
  // The newest came with the coupon; an older one is asked for when it is chosen.
  const other = chosen !== undefined && chosen !== last?.id ? chosen : undefined;
  const file = useBeadFile(other);
  const shown = other === undefined ? last : file.data?.bead;
  return (
    <div className={css.bench}>
      {file.isError && <Trouble error={file.error} again={() => file.refetch()} />}
      {other !== undefined && file.isPending && <Loader aria-label="Loading the bead" />}
      {shown && (
        <section className={`panel ${css.verdict}`} aria-label="Verdict" aria-live="polite">
          <VerdictSummary
            number={shown.number}
            judgement={shown.judgement}
            ruled={shown.ruled}
            heading={verdict}
          />
        </section>
      )}
      <CaptureForm
        sheet={sheet}
        machine={machine}
        last={last ?? undefined}
        onRecorded={(bead, atFirst) => {
          if (atFirst) justLaid(bead);
          setChosen(bead.id);
          setRecorded(bead.id);
        }}
      />
      <div className={`stack ${css.rest}`}>
        {shown && (
          <BeadDetail
            key={shown.id}
            bead={shown}
            sheet={sheet}
            machineId={machineId}
            machine={machine}
            mayWrite
          />
        )}
        <section className="panel" aria-label="Coupon">
          <h2>
            Coupon <span className="quiet">{jobLine(sheet.body.job)}</span>
          </h2>
          <CouponPlate beads={beads} chosen={shown?.id} onChoose={setChosen} onEarlier={onEarlier} />
        </section>
        {sheet.body.pair && (
          <section className="panel" aria-label="Settings plane">
            <SettingsPlane pair={sheet.body.pair} beads={asMarks(beads)} />
          </section>
        )}
      </div>
    </div>
  );
}
