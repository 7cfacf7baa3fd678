import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, Outlet, useOutletContext } from 'react-router';
import { beadQueries } from '../features/beads/queries';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { ChecksState } from '../features/checks/ChecksState';
import { HandKeys } from '../features/floor/HandKeys';
import { NextChange } from '../features/judging/VerdictPanel';
import { VerdictMark } from '../features/judging/VerdictMark';
import { HandChoice } from '../features/people/HandChoice';
import { OwnPlans } from '../features/planning/OwnPlans';
import { CardNumbers } from '../features/sheets/CardNumbers';
import { jobLine } from '../features/sheets/JobLine';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { BoothNumber } from '../shared/page/BoothNumber';
import { useOffline } from '../shared/outbox/useOffline';
import { WaitingToSend } from '../shared/outbox/WaitingToSend';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { useMe } from '../shared/useMe';
import { useSay } from '../shared/words/useSay';
import css from './myWork.module.css';

type Mine = Schemas['MyWork'];

const tabs = [
  { to: '/', label: 'Now', end: true },
  { to: '/bead', label: 'Bead' },
  { to: '/course', label: 'Course' },
  { to: '/sheet', label: 'Sheet' },
  { to: '/beads', label: 'Beads' },
  { to: '/checks', label: 'Checks' },
  { to: '/tests', label: 'Test welds' },
  { to: '/rack', label: 'Rack' },
  { to: '/progress', label: 'Progress' },
];

/** A student's own work, a part to a tab. */
export function MyWorkFrame() {
  const me = useMe().data;
  const work = useQuery(beadQueries.mine());
  useSheetAtHand(work.data?.coupon?.sheet.body);
  useOffline({ up: work.isSuccess, me: me?.id ?? null, tablet: false, idle: false });
  if (!me) return null;
  const booth = work.data?.boothNumber;
  return (
    <Page
      title="My work"
      heading={me.name}
      under={work.data && (booth ? `You stand at booth ${booth}` : 'You stand at no booth yet')}
      before={booth && <BoothNumber number={booth} />}
      aside={<Tabs name="My work" tabs={tabs} />}
    >
      <WaitingToSend />
      <Loaded of={asLoading(work)} what="your work">
        {(mine) => <Outlet context={mine} />}
      </Loaded>
    </Page>
  );
}

/** What the frame has already asked for. */
export const useMine = () => useOutletContext<Mine>();

/** Where there is no sheet to show. */
export const NoSheet = () => (
  <div className="panel empty">
    <p>No sheet yet. Your instructor gives you one.</p>
  </div>
);

/** What to do now, on one screen: what to change, what to set, what is still to check. */
export function NowPage() {
  const say = useSay();
  const { coupon, boothId, sessionId } = useMine();
  const me = useMe().data;
  return (
    <div className={css.now}>
      <HandKeys />
      {coupon?.last && (
        <section className="panel stack" aria-label="Last bead">
          <h2>
            Bead {coupon.last.number}{' '}
            <VerdictMark verdict={coupon.last.ruled ?? coupon.last.judgement.verdict} />
          </h2>
          {coupon.last.judgement.next ? (
            <NextChange next={coupon.last.judgement.next} />
          ) : (
            <p>{say(coupon.last.judgement.summary)}</p>
          )}
          <div className="row">
            <Button component={Link} to="/beads" variant="default">
              Why, and your other beads
            </Button>
          </div>
        </section>
      )}
      {coupon ? (
        <section className="panel stack" aria-label="Your card">
          <h2>
            {jobLine(coupon.sheet.body.job)} <span className="quiet">{coupon.sheet.body.positionName}</span>
          </h2>
          <CardNumbers sheet={coupon.sheet.body} />
          <div className="row">
            <Button component={Link} to="/sheet" variant="default">
              The whole sheet
            </Button>
          </div>
        </section>
      ) : (
        <NoSheet />
      )}
      <OwnPlans />
      {boothId && sessionId && <ChecksState sessionId={sessionId} boothId={boothId} to="/checks" />}
      {me && me.hand === null && (
        <section className="panel" aria-label="Your hand">
          <HandChoice studentId={me.id} title="You hold the torch in" hand={null} />
        </section>
      )}
    </div>
  );
}
