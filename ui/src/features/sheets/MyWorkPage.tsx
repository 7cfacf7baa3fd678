import { Loader } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { joints, positions } from '../../shared/words';
import { asLaid, CouponPlate } from '../beads/CouponPlate';
import { VerdictSummary } from '../judging/VerdictPanel';
import { useMe } from '../people/useMe';
import { RackOf } from './RackPage';
import { SettingsPlane } from './SettingsPlane';
import { Cautions, SheetView } from './SheetView';

/** A student's own work: the next change first, then the sheet, the coupon, and the rack of earlier ones. */
export function MyWorkPage() {
  const me = useMe().data;
  const work = useQuery({ queryKey: ['room', 'mine'], queryFn: () => answer(api.GET('/api/sheets/mine')) });
  if (work.isError) return <Trouble error={work.error} again={() => work.refetch()} />;
  if (!work.data || !me) return <Loader m="xl" aria-label="Loading your work" />;
  const { boothNumber, coupon, machine } = work.data;
  const last = coupon?.beads.at(-1);
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
                <VerdictSummary number={last.number} judgement={last.judgement} />
              </section>
            )}
            <section className="panel" aria-label="Your beads">
              <h2>Your beads</h2>
              <CouponPlate joint={coupon.sheet.body.job.joint} beads={coupon.beads.map(asLaid)} />
            </section>
            <section className="panel" aria-label="Settings plane">
              <SettingsPlane sheet={coupon.sheet.body} beads={coupon.beads.map(asLaid)} />
            </section>
          </div>
          <div className="stack">
            <section className="panel" aria-label="Your sheet">
              <h2>
                {coupon.sheet.body.job.thickness.typed} {joints[coupon.sheet.body.job.joint]},{' '}
                {positions[coupon.sheet.body.job.position].toLowerCase()}{' '}
                <span className="quiet">{coupon.sheet.body.positionName}</span>
              </h2>
              <SheetView sheet={coupon.sheet.body} machine={machine} />
            </section>
            <section className="panel">
              <Cautions sheet={coupon.sheet.body} />
            </section>
          </div>
        </div>
      )}
      <h2 className="rack-title">Your rack</h2>
      <RackOf studentId={me.id} />
    </>
  );
}
