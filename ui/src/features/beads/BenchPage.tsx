import { Button } from '@mantine/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { VerdictReasons, VerdictSummary } from '../judging/VerdictPanel';
import { useBoothData } from '../sessions/BoothFrame';
import { useSheetAtHand } from '../calculators/sheetAtHand';
import { KeepButton } from '../kept/KeepButton';
import { SettingsPlane } from '../sheets/SettingsPlane';
import { jobLine, SheetView, withLine } from '../sheets/SheetView';
import { CaptureForm } from './CaptureForm';
import { asLaid, CouponPlate } from './CouponPlate';
import { useWithdraw } from './useBeads';

/** Record a bead, read its verdict, record the next. */
export function BenchPage() {
  const { booth, machine, coupon } = useBoothData();
  const [chosen, setChosen] = useState<string>();
  const withdraw = useWithdraw();
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
  if (!sheet.body.pair) return <TigBench machineId={booth.machineId} machine={machine} sheet={sheet} />;
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
            <div className="row">
              <KeepButton key={shown.id} machineId={booth.machineId} sheet={sheet} bead={shown} />
              <Button
                variant="default"
                size="md"
                loading={withdraw.isPending}
                onClick={() => withdraw.mutate({ bead: shown, withdrawn: true })}
              >
                Withdraw bead {shown.number}
              </Button>
            </div>
          </section>
        )}
        <section className="panel" aria-label="Coupon">
          <h2>
            Coupon <span className="quiet">{jobLine(job)}</span>
          </h2>
          <CouponPlate joint={job.joint} beads={beads.map(asLaid)} chosen={shown?.id} onChoose={setChosen} />
        </section>
        <section className="panel" aria-label="Settings plane">
          <SettingsPlane pair={sheet.body.pair} beads={beads.map(asLaid)} />
        </section>
      </div>
    </div>
  );
}

/** The bench of a TIG sheet: its settings at hand, and a way to keep them; its beads cannot be judged yet. */
function TigBench(props: {
  machineId: string;
  machine: Schemas['Machine'];
  sheet: Schemas['AssignedSheet'];
}) {
  const { body } = props.sheet;
  return (
    <div className="stack">
      <section className="panel" aria-label="Settings sheet">
        <h2>
          {jobLine(body.job)} <span className="quiet">{body.positionName}</span>
        </h2>
        <p className="quiet with-line">{withLine(body)}</p>
        <SheetView sheet={body} machine={props.machine} />
      </section>
      <section className="panel stack">
        <p>TIG beads are not judged here yet: judge by eye, and keep the setting when it worked.</p>
        <div className="row">
          <KeepButton machineId={props.machineId} sheet={props.sheet} />
        </div>
      </section>
    </div>
  );
}
