import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { Page } from '../shared/page/Page';
import { useMe } from '../shared/useMe';
import { counted } from '../shared/words';
import { useSay } from '../shared/words/useSay';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { SheetView } from '../features/sheets/SheetView';
import { Assess } from '../features/testWelds/Assess';
import { testWeldQueries } from '../features/testWelds/queries';
import { SignOff } from '../features/testWelds/SignOff';
import { standing } from '../features/testWelds/TestWeldList';
import { TestRecord } from '../features/testWelds/TestRecord';
import css from '../features/testWelds/testWeld.module.css';

type View = Schemas['TestWeldView'];

const couponWords: Record<Schemas['CouponStanding'], string> = {
  toWeld: 'To weld',
  toAssessAgain: 'Waits for the second assessor',
  passed: 'Passed',
  failed: 'Not passed',
};

/** A test weld from seal to signature. Only added to. */
export function TestWeldPage() {
  const { testId = '' } = useParams();
  const test = useQuery(testWeldQueries.one(testId));
  return (
    <Loaded of={asLoading(test)} what="this test weld">
      {(view) => <TestWeld view={view} />}
    </Loaded>
  );
}

function TestWeld({ view }: { view: View }) {
  const say = useSay();
  const instructor = useMe().data?.role === 'instructor';
  const { coupons, attempts } = view.terms;
  return (
    <Page
      title={`Test weld, ${view.student.name}`}
      under={
        <>
          {jobLine(view.sheet.job)}; {say(view.criteriaName)}; {counted(coupons, 'coupon')},{' '}
          {counted(attempts, 'attempt')} at each
        </>
      }
      back={
        instructor
          ? { to: `/students/${view.student.id}`, label: 'Back to the rack' }
          : { to: '/tests', label: 'Back to your test welds' }
      }
      aside={<b>{standing({ state: view.state, signed: view.signOff !== null })}</b>}
    >
      <div className={`two-columns ${css.testWeld}`}>
        <div className="stack">
          <section className="panel stack" aria-label="Coupons">
            <h2>Coupons</h2>
            <ol className={css.couponStates}>
              {view.state.coupons.map((coupon) => (
                <li key={coupon.coupon} data-standing={coupon.standing}>
                  <b>Coupon {coupon.coupon}</b> {couponWords[coupon.standing]}
                  {['toWeld', 'toAssessAgain'].includes(coupon.standing) && `, attempt ${coupon.attempt}`}
                  {coupon.disagreed && <span className="quiet"> the assessors differed</span>}
                </li>
              ))}
            </ol>
          </section>
          {instructor && !view.signOff && (
            <Assess key={view.assessments.filter((word) => word.mine).length} view={view} />
          )}
          {instructor && view.state.maySign && !view.signOff && <SignOff view={view} />}
        </div>
        <div className="stack">
          <TestRecord view={view} instructor={instructor} />
          <section className="panel" aria-label="Sealed sheet">
            <h2>
              Sealed sheet <span className="quiet">{view.sheet.positionName}</span>
            </h2>
            <p className="quiet with-line">
              <WithLine sheet={view.sheet} />
            </p>
            <SheetView sheet={view.sheet} machine={null} />
          </section>
        </div>
      </div>
    </Page>
  );
}
