import { Loader } from '@mantine/core';
import { IconArrowLeft } from '@tabler/icons-react';
import { Link, useParams } from 'react-router';
import { Trouble } from '../shared/Trouble';
import { KeptList } from '../features/kept/KeptList';
import { BottlePanel } from '../features/machines/BottlePanel';
import { ChartPanel } from '../features/machines/ChartPanel';
import { LoadPanel } from '../features/machines/LoadPanel';
import { ReadingsPanel } from '../features/machines/ReadingsPanel';
import { WindowsPanel } from '../features/windows/WindowsPanel';
import { UpkeepPanel } from '../features/machines/UpkeepPanel';
import { useMachine } from '../features/machines/useMachines';

/** One machine: what is on it, what was measured, what its door says, what is due, what worked. */
export function MachinePage() {
  const { machineId = '' } = useParams();
  const detail = useMachine(machineId);
  if (detail.isLoadingError) return <Trouble error={detail.error} again={() => detail.refetch()} />;
  if (!detail.data) return <Loader m="xl" aria-label="Loading the machine" />;
  const { machine, booth } = detail.data;
  return (
    <>
      <div className="page-head">
        <Link to="/shop" className="back" aria-label="Back to the shop">
          <IconArrowLeft />
        </Link>
        <span className="booth-number">{booth.number}</span>
        <div>
          <h1>{machine.name}</h1>
          <p className="quiet">
            {machine.rating
              ? `${machine.rating.amps} A at ${machine.rating.dutyPercent} %, ${machine.rating.mostAmps} A at the most`
              : 'Rating plate not noted'}
            {machine.hasAc ? ', AC' : ''}
            {machine.inductance ? ', inductance' : ''}
            {machine.voltsUnderLoad ? ', volts may be turned under load' : ''}
          </p>
        </div>
      </div>
      <div className="machine-page">
        <div className="stack">
          <LoadPanel detail={detail.data} />
          {machine.wireControl && <ChartPanel detail={detail.data} />}
          <section className="panel" aria-label="Settings that worked here">
            <h2>Settings that worked here</h2>
            <KeptList machineId={machineId} />
          </section>
        </div>
        <div className="stack">
          <ReadingsPanel detail={detail.data} />
          {machine.wireControl && <WindowsPanel machineId={machineId} />}
          <UpkeepPanel detail={detail.data} />
          <BottlePanel detail={detail.data} />
        </div>
      </div>
    </>
  );
}
