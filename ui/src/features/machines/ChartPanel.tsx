import { Button, Table } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { counted, gases, processes, wireName } from '../../shared/words';
import { EnterChart } from './EnterChart';
import { readMark } from './marks';
import { type Detail, useWithdrawn } from './useMachines';
import css from './machines.module.css';

/** The chart on the door: as printed, and where it gives more or less wire than the rule. */
export function ChartPanel({ detail }: { detail: Detail }) {
  const [entering, setEntering] = useState(false);
  const withdraw = useWithdrawn('charts', 'The chart is put away.');
  return (
    <section className={`panel ${css.chartPanel}`} aria-label="Door chart">
      <h2>The chart on the door</h2>
      {detail.charts.length === 0 && !entering && (
        <p className="quiet">
          None entered. Charts are a start: often a little high on wire, sometimes far too low on volts, made
          for flat and horizontal.
        </p>
      )}
      {detail.charts.map((entered) => (
        <div key={entered.id} className="stack">
          <h3>
            {wireName(entered.chart.wire)}{' '}
            <span className="quiet">
              {gases[entered.chart.gas]}, {processes[entered.chart.process]}
            </span>
          </h3>
          <Compared entered={entered} machine={detail.machine} />
          <div className="row">
            <Button
              component="a"
              href={`/api/machines/${detail.machineId}/charts/${entered.id}/csv`}
              variant="default"
            >
              As CSV
            </Button>
            <Button
              variant="default"
              loading={withdraw.isPending}
              onClick={() =>
                withdraw.mutate({ machineId: detail.machineId, id: entered.id, withdrawn: true })
              }
            >
              Withdraw
            </Button>
          </div>
        </div>
      ))}
      {entering ? (
        <EnterChart detail={detail} onDone={() => setEntering(false)} />
      ) : (
        <div className="row">
          <Button variant="default" onClick={() => setEntering(true)}>
            Enter a chart
          </Button>
        </div>
      )}
    </section>
  );
}

const percent = (share: number) => {
  const rounded = Math.round(share * 100);
  return rounded === 0 ? 'as much' : `${Math.abs(rounded)} % ${rounded > 0 ? 'more' : 'less'}`;
};

function Compared({ entered, machine }: { entered: Schemas['ComparedChart']; machine: Schemas['Machine'] }) {
  const { show } = useUnits();
  if (entered.rows.length === 0) {
    return <p className="quiet">Needs readings for both controls: the chart is in marks.</p>;
  }
  return (
    <div className="scroll-x" role="group" aria-label="Chart against rule and beads" tabIndex={0}>
      <Table className={css.compared}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Plate</Table.Th>
            <Table.Th>Wire</Table.Th>
            <Table.Th>Volts</Table.Th>
            <Table.Th>Wire against the rule</Table.Th>
            <Table.Th>Wire against right beads here</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {entered.rows.map((row) => (
            <Table.Tr key={row.step.thickness.typed}>
              <Table.Td>{row.step.thickness.typed}</Table.Td>
              <Table.Td>
                {machine.wireControl && readMark(machine.wireControl, row.step.wireMark)}{' '}
                <span className="quiet">{show('wireFeed', row.wireFeedMPerMin)}</span>
              </Table.Td>
              <Table.Td>
                {machine.voltControl && readMark(machine.voltControl, row.step.voltMark)}{' '}
                <span className="quiet">{show('volts', row.volts)}</span>
              </Table.Td>
              <Table.Td>
                {percent(row.wireOff)}
                {row.voltsOff !== 0 &&
                  `, volts ${Math.abs(row.voltsOff).toFixed(1)} V ${row.voltsOff > 0 ? 'over' : 'under'} the band`}
              </Table.Td>
              <Table.Td>
                {row.wireOffBeads === null
                  ? '–'
                  : `${percent(row.wireOffBeads)}, ${counted(row.beadCount, 'bead')}`}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </div>
  );
}
