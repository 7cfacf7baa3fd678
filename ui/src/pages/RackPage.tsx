import { memo } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { ShowMore } from '../shared/ShowMore';
import { day } from '../shared/time';
import { usePages } from '../shared/usePages';
import { CouponPlate } from '../features/beads/CouponPlate';
import { beadQueries } from '../features/beads/queries';
import { useEarlier } from '../features/beads/useEarlier';
import { StudentNotes } from '../features/floor/Notes';
import { TermStrip } from '../features/progress/TermStrip';
import { AccountPanel } from '../features/people/AccountPanel';
import { HandChoice } from '../features/people/HandChoice';
import { jobLine } from '../features/sheets/JobLine';
import css from './rack.module.css';
import { oneStudentTabs } from './studentTabs';

type Rack = Schemas['Rack'];

/** An instructor's look at one student's term. */
export function RackPage() {
  const { studentId = '' } = useParams();
  const whose = usePages(beadQueries.rack(studentId)).first;
  return (
    <Page
      title={whose?.student.name ?? 'Rack'}
      under="Every coupon, newest first"
      back={{ to: '/students', label: 'Back to the students' }}
      aside={<Tabs name="Student" tabs={oneStudentTabs(studentId)} />}
    >
      <div className="stack">
        {whose && <HandChoice studentId={studentId} title="Holds the torch in" hand={whose.hand} />}
        <TermStrip key={studentId} studentId={studentId} />
        <StudentNotes studentId={studentId} />
        <RackOf studentId={studentId} />
        <AccountPanel key={studentId} personId={studentId} />
      </div>
    </Page>
  );
}

/** A student's coupons side by side. */
export const RackOf = memo(function RackOf({ studentId }: { studentId: string }) {
  const rack = usePages(beadQueries.rack(studentId));
  return (
    <Loaded of={rack} what="the rack">
      {(coupons) =>
        coupons.length === 0 ? (
          <p className="panel empty">No coupon on the rack yet.</p>
        ) : (
          <>
            <ol className={css.rack} aria-label="Rack">
              {coupons.map((coupon) => (
                <li key={coupon.sheetId} className="panel">
                  <h2 className={css.rackHead}>
                    {day(coupon.assignedAt)} <span className="quiet">{jobLine(coupon.job)}</span>
                  </h2>
                  <RackCoupon coupon={coupon} />
                </li>
              ))}
            </ol>
            <ShowMore more={rack.more} coming={rack.coming} what="coupons" />
          </>
        )
      }
    </Loaded>
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
