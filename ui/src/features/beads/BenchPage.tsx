import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { useSheetAtHand } from '../calculators/sheetAtHand';
import { VerdictSummary } from '../judging/VerdictPanel';
import { useBoothData } from '../sessions/BoothFrame';
import { SettingsPlane } from '../sheets/SettingsPlane';
import { jobLine } from '../sheets/SheetView';
import { BeadDetail } from './BeadDetail';
import { CaptureForm } from './CaptureForm';
import { asLaid, asMarks, CouponPlate } from './CouponPlate';

/** Record a bead, read its verdict, record the next. */
export function BenchPage() {
  const { booth, machine, coupon } = useBoothData();
  const [chosen, setChosen] = useState<string>();
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
  const { sheet, beads } = coupon;
  const { job } = sheet.body;
  const last = beads.at(-1);
  const shown: Schemas['Bead'] | undefined = beads.find((bead) => bead.id === chosen) ?? last;
  return (
    <div className="bench">
      {shown && (
        <section className="panel bench-verdict" aria-label="Verdict">
          <VerdictSummary number={shown.number} judgement={shown.judgement} ruled={shown.ruled} />
        </section>
      )}
      <CaptureForm
        key={sheet.id}
        sheet={sheet}
        machine={machine}
        last={last}
        onRecorded={(bead) => {
          setChosen(bead.id);
          // On a tablet the verdict stands above the form.
          window.scrollTo({ top: 0 });
        }}
      />
      <div className="stack bench-rest">
        {shown && (
          <BeadDetail key={shown.id} bead={shown} sheet={sheet} machineId={booth.machineId} mayWrite />
        )}
        <section className="panel" aria-label="Coupon">
          <h2>
            Coupon <span className="quiet">{jobLine(job)}</span>
          </h2>
          <CouponPlate beads={beads.map(asLaid)} chosen={shown?.id} onChoose={setChosen} />
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
