import { Button } from '@mantine/core';
import { KeepButton } from '../features/kept/KeepButton';
import { Cautions } from '../features/sheets/Cautions';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { SheetView } from '../features/sheets/SheetView';
import { NoSheet, useMine } from './MyWorkPages';

/** The sheet in hand, whole. At a booth's tablet it is read: nothing is kept or taken along from there. */
export function MySheetPage({ toRead = false }: { toRead?: boolean }) {
  const { coupon, machine, machineId } = useMine();
  if (!coupon) return <NoSheet />;
  const { body } = coupon.sheet;
  return (
    <div className="stack">
      <section className="panel" aria-label="Your sheet">
        <h2>
          {jobLine(body.job)} <span className="quiet">{body.positionName}</span>
        </h2>
        <p className="quiet with-line">
          <WithLine sheet={body} />
        </p>
        <SheetView sheet={body} machine={machine} />
        {!toRead && (
          <div className="row">
            {machineId && (
              <KeepButton machineId={machineId} sheet={coupon.sheet} bead={coupon.last ?? undefined} />
            )}
            <Button component="a" href={`/api/cards/${coupon.sheet.id}/pdf`} variant="default">
              Card as PDF
            </Button>
          </div>
        )}
      </section>
      <section className="panel">
        <Cautions sheet={body} />
      </section>
    </div>
  );
}
