import { memo } from 'react';
import { Loader } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../shared/api/client';
import { ShowMore } from '../shared/ShowMore';
import { Trouble } from '../shared/Trouble';
import { day } from '../shared/units';
import { usePages } from '../shared/usePages';
import { CouponPlate } from '../features/beads/CouponPlate';
import { useEarlier } from '../features/beads/useEarlier';
import { HandChoice } from '../features/people/HandChoice';
import { jobLine } from '../features/sheets/SheetView';

type Rack = Schemas['Rack'];

/** A student's coupons, newest first; every page says whose they are. */
const useRack = (studentId: string) =>
  usePages<
    Rack['coupons'][number],
    number,
    { items: Rack['coupons']; more: number | null; student: Rack['student']; hand: Rack['hand'] }
  >(['room', 'rack', studentId], async (before, signal) => {
    const { coupons, more, student, hand } = await answer(
      api.GET('/api/sheets/rack/{studentId}', {
        params: { path: { studentId }, query: { before } },
        signal,
      }),
    );
    return { items: coupons, more, student, hand };
  });

/** An instructor's look at one student's term. */
export function RackPage() {
  const { studentId = '' } = useParams();
  const whose = useRack(studentId).first;
  return (
    <>
      <div className="page-head">
        <Link to="/" className="back" aria-label="Back to the session">
          <IconArrowLeft />
        </Link>
        <div>
          <h1>{whose?.student.name ?? 'Rack'}</h1>
          <p className="quiet">Every coupon, newest first</p>
        </div>
        {whose && <HandChoice studentId={studentId} title="Holds the torch in" hand={whose.hand} />}
      </div>
      <RackOf studentId={studentId} />
    </>
  );
}

/** A student's coupons side by side. */
export const RackOf = memo(function RackOf({ studentId }: { studentId: string }) {
  const rack = useRack(studentId);
  if (rack.isLoadingError) return <Trouble error={rack.error} again={rack.again} />;
  if (!rack.items) return <Loader m="xl" aria-label="Loading the rack" />;
  if (rack.items.length === 0) return <p className="panel empty">No coupon on the rack yet.</p>;
  return (
    <>
      <ol className="rack" aria-label="Rack">
        {rack.items.map((coupon) => (
          <li key={coupon.sheetId} className="panel">
            <h3>
              {day(coupon.assignedAt)} <span className="quiet">{jobLine(coupon.job)}</span>
            </h3>
            <RackCoupon coupon={coupon} />
          </li>
        ))}
      </ol>
      <ShowMore more={rack.more} coming={rack.coming} what="coupons" />
    </>
  );
});

function RackCoupon({ coupon }: { coupon: Rack['coupons'][number] }) {
  const navigate = useNavigate();
  const { beads, onEarlier } = useEarlier({
    sheetId: coupon.sheetId,
    beads: coupon.beads.map((bead) => ({ ...bead, used: null })),
    earlier: coupon.earlier > 0,
  });
  return <CouponPlate beads={beads} onChoose={(id) => void navigate(`/beads/${id}`)} onEarlier={onEarlier} />;
}
