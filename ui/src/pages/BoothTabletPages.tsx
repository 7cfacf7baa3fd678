import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, Outlet } from 'react-router';
import { BoothBead } from '../features/beads/BoothBead';
import { beadQueries } from '../features/beads/queries';
import { AimCamera } from '../features/looking/AimCamera';
import { BoothTrial } from '../features/trials/BoothTrial';
import { trialQueries } from '../features/trials/queries';
import { SweepForm } from '../features/trials/SweepForm';
import { useBoothSweep } from '../features/trials/useTrials';
import { stepInHand, waitingSteps } from '../features/trials/waitingSteps';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { useWaiting } from '../shared/outbox/useOutbox';
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

type AtWork = Pick<Schemas['MyWork'], 'asksOwn'> & { coupon: Schemas['Coupon']; machine: Schemas['Machine'] };

/** The bead that was just laid, by whoever laid it: the next step of their trial where one runs. */
export function BoothBeadPage() {
  const { coupon, machine, asksOwn } = useMine();
  const trial = useQuery(trialQueries.mine());
  if (!coupon || !machine) return <NoSheet />;
  return (
    <Loaded of={asLoading(trial)} what="your trial">
      {(mine) => (
        <Lay
          key={coupon.sheet.id}
          coupon={coupon}
          machine={machine}
          asksOwn={asksOwn}
          trial={mine}
          asking={trial.isFetching}
        />
      )}
    </Loaded>
  );
}

function Lay({
  coupon,
  machine,
  asksOwn,
  trial,
  asking,
}: AtWork & { trial: Schemas['MyTrial'] | null; asking: boolean }) {
  // The step in hand stays so until its bead is saved or another is chosen: what arrives meanwhile changes nothing under busy hands.
  const [inHand, setInHand] = useState<{ trialId: string; number: number }>();
  const waiting = useWaiting();
  const running = trial?.sheetId === coupon.sheet.id ? trial : null;
  const waits = running ? waitingSteps(waiting ?? [], running.id) : [];
  const held = running?.id === inHand?.trialId ? inHand?.number : undefined;
  const step =
    running && (running.plan.steps.find(({ number }) => number === held) ?? stepInHand(running, waits));
  if (running && step && step.number !== held && waiting !== null && !asking)
    setInHand({ trialId: running.id, number: step.number });
  return (
    <div className="stack">
      {running && (
        <BoothTrial
          trial={running}
          step={step}
          waiting={waits}
          onChoose={(number) => setInHand({ trialId: running.id, number })}
        />
      )}
      <BoothBead
        sheet={coupon.sheet}
        machine={machine}
        last={coupon.last ?? undefined}
        asksOwn={asksOwn}
        laying={running && step ? { trialId: running.id, step } : undefined}
        onNext={() => setInHand(undefined)}
        aim={(on) => <AimCamera {...on} />}
      />
      {coupon.sheet.body.pair && machine.wireControl && machine.voltControl && (
        <Button component={Link} to="/sweep" variant="default" size="lg">
          Wire sweep
        </Button>
      )}
    </div>
  );
}

/** A wire sweep at the booth: the machine learns from it once the instructor has taken it. */
export function BoothSweepPage() {
  const { coupon, machine } = useMine();
  const record = useBoothSweep();
  const { wireControl: wire, voltControl: volt } = machine ?? {};
  if (!coupon?.sheet.body.pair || !wire || !volt) {
    return (
      <div className="panel empty">
        <p>A sweep wants a machine that feeds wire and a sheet for it.</p>
      </div>
    );
  }
  return (
    <SweepForm
      aside={
        <Button component={Link} to="/bead" variant="default" size="lg">
          Back to the bead
        </Button>
      }
      record={record}
      sheet={coupon.sheet}
      wire={wire}
      volt={volt}
    />
  );
}
