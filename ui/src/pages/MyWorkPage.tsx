import { Button, Loader } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../shared/api/client';
import { Trouble } from '../shared/Trouble';
import { BeadDetail } from '../features/beads/BeadDetail';
import { asMarks, CouponPlate } from '../features/beads/CouponPlate';
import { useBeadFile } from '../features/beads/useBeads';
import { useEarlier } from '../features/beads/useEarlier';
import { VerdictSummary } from '../features/judging/VerdictPanel';
import { useMe } from '../shared/useMe';
import { HandChoice } from '../features/people/HandChoice';
import { TestWeldList } from '../features/testWelds/TestWeldList';
import { RackOf } from './RackPage';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { Checks } from './ChecksPage';
import { KeepButton } from '../features/kept/KeepButton';
import { Cautions, jobLine, SheetView, WithLine } from '../features/sheets/SheetView';

/** A student's own work: the next change first, then the sheet, the coupon, and the rack of earlier ones. */
export function MyWorkPage() {
  const me = useMe().data;
  const work = useQuery({ queryKey: ['room', 'mine'], queryFn: () => answer(api.GET('/api/sheets/mine')) });
  useSheetAtHand(work.data?.coupon?.sheet.body);
  if (work.isLoadingError) return <Trouble error={work.error} again={() => work.refetch()} />;
  if (!work.data || !me) return <Loader m="xl" aria-label="Loading your work" />;
  const { boothNumber, boothId, sessionId, coupon, machine, machineId } = work.data;
  const last = coupon?.last ?? undefined;
  return (
    <>
      <div className="page-head">
        {boothNumber && <span className="booth-number">{boothNumber}</span>}
        <div>
          <h1>{me.name}</h1>
          <p className="quiet">
            {boothNumber ? `You stand at booth ${boothNumber}` : 'You stand at no booth yet'}
          </p>
        </div>
        <HandChoice studentId={me.id} title="You hold the torch in" hand={me.hand ?? null} />
      </div>
      {!coupon ? (
        <div className="panel empty">
          <p>No sheet yet. Your instructor gives you one.</p>
        </div>
      ) : (
        <div className="two-columns mine">
          <div className="stack">
            {last && (
              <section className="panel" aria-label="Last bead">
                <VerdictSummary number={last.number} judgement={last.judgement} ruled={last.ruled} />
              </section>
            )}
            <MyBeads key={coupon.sheet.id} coupon={coupon} machineId={machineId} />
          </div>
          <div className="stack">
            <section className="panel" aria-label="Your sheet">
              <h2>
                {jobLine(coupon.sheet.body.job)}{' '}
                <span className="quiet">{coupon.sheet.body.positionName}</span>
              </h2>
              <p className="quiet with-line">
                <WithLine sheet={coupon.sheet.body} />
              </p>
              <SheetView sheet={coupon.sheet.body} machine={machine} />
              <div className="row">
                {machineId && <KeepButton machineId={machineId} sheet={coupon.sheet} bead={last} />}
                <Button component="a" href={`/api/cards/${coupon.sheet.id}/pdf`} variant="default" size="md">
                  Card as PDF
                </Button>
              </div>
            </section>
            <section className="panel">
              <Cautions sheet={coupon.sheet.body} />
            </section>
          </div>
        </div>
      )}
      {boothId && sessionId && <Checks sessionId={sessionId} boothId={boothId} />}
      <section className="panel stack" aria-label="Your test welds">
        <h2>Your test welds</h2>
        <TestWeldList studentId={me.id} />
      </section>
      <h2 className="rack-title">Your rack</h2>
      <RackOf studentId={me.id} />
    </>
  );
}

/** The coupon in hand: its beads, and all that is known of the one chosen. */
function MyBeads({ coupon, machineId }: { coupon: Schemas['Coupon']; machineId: string | null }) {
  const [chosen, setChosen] = useState<string>();
  const { sheet, last } = coupon;
  const { beads, onEarlier } = useEarlier({ ...coupon, sheetId: sheet.id });
  const other = chosen !== undefined && chosen !== last?.id ? chosen : undefined;
  const file = useBeadFile(other);
  const shown = other === undefined ? last : file.data?.bead;
  return (
    <>
      <section className="panel" aria-label="Your beads">
        <h2>Your beads</h2>
        <CouponPlate beads={beads} chosen={shown?.id} onChoose={setChosen} onEarlier={onEarlier} />
      </section>
      {file.isError && <Trouble error={file.error} again={() => file.refetch()} />}
      {shown && machineId && (
        <BeadDetail key={shown.id} bead={shown} sheet={sheet} machineId={machineId} mayWrite={false} />
      )}
      {sheet.body.pair && (
        <section className="panel" aria-label="Settings plane">
          <SettingsPlane pair={sheet.body.pair} beads={asMarks(beads)} />
        </section>
      )}
    </>
  );
}
