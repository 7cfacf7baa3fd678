import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Outlet, useOutletContext } from 'react-router';
import { BeadDetail } from '../features/beads/BeadDetail';
import { asMarks, CouponPlate } from '../features/beads/CouponPlate';
import { beadQueries } from '../features/beads/queries';
import { useBeadFile } from '../features/beads/useBeads';
import { useEarlier } from '../features/beads/useEarlier';
import { useSheetAtHand } from '../features/calculators/sheetAtHand';
import { ChecksState } from '../features/checks/ChecksState';
import { VerdictMark } from '../features/judging/VerdictMark';
import { NextChange } from '../features/judging/VerdictPanel';
import { KeepButton } from '../features/kept/KeepButton';
import { HandChoice } from '../features/people/HandChoice';
import { CardNumbers } from '../features/sheets/CardNumbers';
import { SettingsPlane } from '../features/sheets/SettingsPlane';
import { jobLine, WithLine } from '../features/sheets/JobLine';
import { Cautions } from '../features/sheets/Cautions';
import { SheetView } from '../features/sheets/SheetView';
import { TestWeldList } from '../features/testWelds/TestWeldList';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { BoothNumber } from '../shared/page/BoothNumber';
import { Page } from '../shared/page/Page';
import { Tabs } from '../shared/page/Tabs';
import { Trouble } from '../shared/Trouble';
import { useMe } from '../shared/useMe';
import { useSay } from '../shared/words/useSay';
import { Checks } from './ChecksPage';
import css from './myWork.module.css';
import { RackOf } from './RackPage';

type Mine = Schemas['MyWork'];

const tabs = [
  { to: '/', label: 'Now', end: true },
  { to: '/sheet', label: 'Sheet' },
  { to: '/beads', label: 'Beads' },
  { to: '/checks', label: 'Checks' },
  { to: '/tests', label: 'Test welds' },
  { to: '/rack', label: 'Rack' },
];

/** A student's own work, a part to a tab. */
export function MyWorkFrame() {
  const me = useMe().data;
  const work = useQuery(beadQueries.mine());
  useSheetAtHand(work.data?.coupon?.sheet.body);
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
      <Loaded of={asLoading(work)} what="your work">
        {(mine) => <Outlet context={mine} />}
      </Loaded>
    </Page>
  );
}

const useMine = () => useOutletContext<Mine>();

const NoSheet = () => (
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
      {boothId && sessionId && <ChecksState sessionId={sessionId} boothId={boothId} to="/checks" />}
      {me && me.hand === null && (
        <section className="panel" aria-label="Your hand">
          <HandChoice studentId={me.id} title="You hold the torch in" hand={null} />
        </section>
      )}
    </div>
  );
}

/** The sheet in hand, whole. */
export function MySheetPage() {
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
        <div className="row">
          {machineId && (
            <KeepButton machineId={machineId} sheet={coupon.sheet} bead={coupon.last ?? undefined} />
          )}
          <Button component="a" href={`/api/cards/${coupon.sheet.id}/pdf`} variant="default">
            Card as PDF
          </Button>
        </div>
      </section>
      <section className="panel">
        <Cautions sheet={body} />
      </section>
    </div>
  );
}

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

export function MyChecksPage() {
  const { boothId, sessionId } = useMine();
  return boothId && sessionId ? (
    <Checks sessionId={sessionId} boothId={boothId} />
  ) : (
    <p className="panel empty">You stand at no booth yet: the check lists are a booth’s.</p>
  );
}

export function MyTestsPage() {
  const me = useMe().data;
  return (
    <section className="panel stack" aria-label="Your test welds">
      <h2>Your test welds</h2>
      {me && <TestWeldList studentId={me.id} />}
    </section>
  );
}

export function MyRackPage() {
  const me = useMe().data;
  return (
    <>
      <h2>Your rack</h2>
      {me && <RackOf studentId={me.id} />}
    </>
  );
}
