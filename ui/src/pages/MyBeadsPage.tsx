import { useState } from 'react';
import { BeadDetail } from '../features/beads/BeadDetail';
import { asMarks, CouponPlate } from '../features/beads/CouponPlate';
import { useBeadFile } from '../features/beads/useBeads';
import { useEarlier } from '../features/beads/useEarlier';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import type { Schemas } from '../shared/api/client';
import { Trouble } from '../shared/Trouble';
import { NoSheet, useMine } from './MyWorkPages';

/** The coupon in hand: its beads, and all that is known of the one chosen. */
export function MyBeadsPage() {
  const { coupon, machineId } = useMine();
  return coupon ? <MyBeads key={coupon.sheet.id} coupon={coupon} machineId={machineId} /> : <NoSheet />;
}

function MyBeads({ coupon, machineId }: { coupon: Schemas['Coupon']; machineId: string | null }) {
  const [chosen, setChosen] = useState<string>();
  const { sheet, last } = coupon;
  const { beads, onEarlier } = useEarlier({ ...coupon, sheetId: sheet.id });
  const other = chosen !== undefined && chosen !== last?.id ? chosen : undefined;
  const file = useBeadFile(other);
  const shown = other === undefined ? last : file.data?.bead;
  return (
    <div className="two-columns mine">
      <div className="stack">
        <section className="panel" aria-label="Your beads">
          <h2>Your beads</h2>
          <CouponPlate beads={beads} chosen={shown?.id} onChoose={setChosen} onEarlier={onEarlier} />
        </section>
        {sheet.body.pair && (
          <section className="panel" aria-label="Settings plane">
            <SettingsPlane pair={sheet.body.pair} beads={asMarks(beads)} />
          </section>
        )}
      </div>
      <div className="stack">
        {file.isError && <Trouble error={file.error} again={() => file.refetch()} />}
        {shown && machineId && (
          <BeadDetail key={shown.id} bead={shown} sheet={sheet} machineId={machineId} mayWrite={false} />
        )}
      </div>
    </div>
  );
}
