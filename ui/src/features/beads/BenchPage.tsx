import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { joints, positions } from '../../shared/words';
import { VerdictReasons, VerdictSummary } from '../judging/VerdictPanel';
import { useBoothData } from '../sessions/BoothFrame';
import { SettingsPlane } from '../sheets/SettingsPlane';
import { CaptureForm } from './CaptureForm';
import { asLaid, CouponPlate } from './CouponPlate';
import { useWithdraw } from './useBeads';

/** Record a bead, read its verdict, record the next. */
export function BenchPage() {
  const { booth, machine, coupon } = useBoothData();
  const [chosen, setChosen] = useState<string>();
  const withdraw = useWithdraw();
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
          <VerdictSummary number={shown.number} judgement={shown.judgement} />
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
          <section className="panel" aria-label="Why">
            <VerdictReasons judgement={shown.judgement} />
            <Button
              variant="default"
              size="md"
              loading={withdraw.isPending}
              onClick={() => withdraw.mutate({ bead: shown, withdrawn: true })}
            >
              Withdraw bead {shown.number}
            </Button>
          </section>
        )}
        <section className="panel" aria-label="Coupon">
          <h2>
            Coupon{' '}
            <span className="quiet">
              {job.thickness.typed} {joints[job.joint]}, {positions[job.position].toLowerCase()}
            </span>
          </h2>
          <CouponPlate joint={job.joint} beads={beads.map(asLaid)} chosen={shown?.id} onChoose={setChosen} />
        </section>
        <section className="panel" aria-label="Settings plane">
          <SettingsPlane sheet={sheet.body} beads={beads.map(asLaid)} />
        </section>
      </div>
    </div>
  );
}
