import { useQuery } from '@tanstack/react-query';
import { Outlet } from 'react-router';
import { BoothBead } from '../features/beads/BoothBead';
import { beadQueries } from '../features/beads/queries';
import { asLoading, Loaded } from '../shared/Loaded';
import { Tabs } from '../shared/page/Tabs';
import { NoSheet, useMine } from './MyWorkPages';

const tabs = [
  { to: '/', label: 'Now', end: true },
  { to: '/bead', label: 'Bead' },
  { to: '/sheet', label: 'Sheet' },
  { to: '/beads', label: 'Beads' },
  { to: '/checks', label: 'Checks' },
];

/** What whoever stands at a booth's tablet has to do there, a part to a tab. */
export function BoothTabletFrame() {
  const work = useQuery(beadQueries.mine());
  return (
    <>
      <Tabs name="At this booth" tabs={tabs} />
      <Loaded of={asLoading(work)} what="your work">
        {(mine) => <Outlet context={mine} />}
      </Loaded>
    </>
  );
}

/** The bead that was just laid, by whoever laid it. */
export function BoothBeadPage() {
  const { coupon, machine, toolWord } = useMine();
  if (!coupon || !machine) return <NoSheet />;
  return (
    <div className="stack">
      <BoothBead
        key={coupon.sheet.id}
        sheet={coupon.sheet}
        machine={machine}
        last={coupon.last ?? undefined}
        toolWord={toolWord}
      />
    </div>
  );
}
