import { Loader } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api } from '../../shared/api/client';
import { Trouble } from '../../shared/Trouble';
import { day } from '../../shared/units';
import { CouponPlate } from '../beads/CouponPlate';
import { jobLine } from './SheetView';

const useRack = (studentId: string) =>
  useQuery({
    queryKey: ['room', 'rack', studentId],
    queryFn: () => answer(api.GET('/api/sheets/rack/{studentId}', { params: { path: { studentId } } })),
  });

/** An instructor's look at one student's term. */
export function RackPage() {
  const { studentId = '' } = useParams();
  const rack = useRack(studentId);
  return (
    <>
      <div className="page-head">
        <Link to="/" className="back" aria-label="Back to the session">
          <IconArrowLeft />
        </Link>
        <div>
          <h1>{rack.data?.student.name ?? 'Rack'}</h1>
          <p className="quiet">Every coupon, newest first</p>
        </div>
      </div>
      <RackOf studentId={studentId} />
    </>
  );
}

/** A student's coupons side by side. */
export function RackOf({ studentId }: { studentId: string }) {
  const rack = useRack(studentId);
  const navigate = useNavigate();
  if (rack.isError) return <Trouble error={rack.error} again={() => rack.refetch()} />;
  if (!rack.data) return <Loader m="xl" aria-label="Loading the rack" />;
  if (rack.data.coupons.length === 0) return <p className="panel empty">No coupon on the rack yet.</p>;
  return (
    <ol className="rack" aria-label="Rack">
      {rack.data.coupons.map((coupon) => (
        <li key={coupon.sheetId} className="panel">
          <h3>
            {day(coupon.assignedAt)} <span className="quiet">{jobLine(coupon.job)}</span>
          </h3>
          <CouponPlate beads={coupon.beads} onChoose={(id) => void navigate(`/beads/${id}`)} />
        </li>
      ))}
    </ol>
  );
}
