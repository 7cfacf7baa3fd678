import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import type { Schemas } from '../shared/api/client';
import { asLoading, Loaded } from '../shared/Loaded';
import { BoothNumber } from '../shared/page/BoothNumber';
import { Page } from '../shared/page/Page';
import { KeptList } from '../features/kept/KeptList';
import { BottlePanel } from '../features/machines/BottlePanel';
import { ChartPanel } from '../features/machines/ChartPanel';
import { LoadPanel } from '../features/machines/LoadPanel';
import { MovePanel } from '../features/machines/MovePanel';
import { ReadingsPanel } from '../features/machines/ReadingsPanel';
import { WindowsPanel } from '../features/windows/WindowsPanel';
import { UpkeepPanel } from '../features/machines/UpkeepPanel';
import { machineQueries } from '../features/machines/queries';

/** One machine: what is on it, what was measured, what its door says, what is due, what worked. */
export function MachinePage() {
  const { machineId = '' } = useParams();
  const detail = useQuery(machineQueries.one(machineId));
  return (
    <Loaded of={asLoading(detail)} what="this machine">
      {(data) => <Machine machineId={machineId} detail={data} />}
    </Loaded>
  );
}

/** What its plate and front say, in a line. */
const plateLine = (machine: Schemas['Machine']) =>
  [
    machine.rating
      ? `${machine.rating.amps} A at ${machine.rating.dutyPercent} %, ${machine.rating.mostAmps} A at the most`
      : 'Rating plate not noted',
    machine.hasAc && 'AC',
    machine.inductance && 'inductance',
    machine.voltsUnderLoad && 'volts may be turned under load',
  ]
    .filter(Boolean)
    .join(', ');

function Machine({ machineId, detail }: { machineId: string; detail: Schemas['MachineDetail'] }) {
  const { machine, booth } = detail;
  return (
    <Page
      title={machine.name}
      under={plateLine(machine)}
      back={{ to: '/machines', label: 'Back to the machines' }}
      before={booth && <BoothNumber number={booth.number} />}
    >
      <div className="two-columns even">
        <div className="stack">
          <LoadPanel detail={detail} />
          {machine.wireControl && <ChartPanel detail={detail} />}
          <section className="panel" aria-label="Settings that worked here">
            <h2>Settings that worked here</h2>
            <KeptList machineId={machineId} />
          </section>
          <MovePanel machineId={machineId} booth={booth} />
        </div>
        <div className="stack">
          <ReadingsPanel detail={detail} />
          {machine.wireControl && <WindowsPanel machineId={machineId} />}
          <UpkeepPanel detail={detail} />
          <BottlePanel detail={detail} />
        </div>
      </div>
    </Page>
  );
}
