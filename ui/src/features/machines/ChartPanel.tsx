import { Button, FileButton, NumberInput, Select, Table, TextInput } from '@mantine/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { counted, gases, processes, wireName } from '../../shared/words';
import { useStock } from '../../shared/useStock';
import { readMark } from './marks';
import { type Detail, useWithdrawn } from './useMachines';
import { useFields } from '../../shared/words/useSay';
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

interface Step {
  key: string;
  thickness: string;
  wireMark: number | string;
  voltMark: number | string;
}
const emptyStep = (): Step => ({ key: newId(), thickness: '', wireMark: '', voltMark: '' });

function EnterChart({ detail, onDone }: { detail: Detail; onDone: () => void }) {
  const queries = useQueryClient();
  const stock = useStock().data;
  const { load } = detail.machine;
  const [id] = useState(newId);
  const [process, setProcess] = useState<Schemas['Process']>('gmawShortCircuit');
  const [wire, setWire] = useState<Schemas['Wire'] | null>(load.wire ?? null);
  const [gas, setGas] = useState<Schemas['Gas']>(load.gas);
  const clear = useRef<() => void>(null);
  const [steps, setSteps] = useState<Step[]>(() => [emptyStep(), emptyStep(), emptyStep()]);
  const enter = useMutation({
    mutationFn: (csv: string | null) =>
      answer(
        api.PUT('/api/machines/{id}/charts/{chartId}', {
          params: { path: { id: detail.machineId, chartId: id } },
          body: {
            process,
            wire,
            gas,
            csv,
            steps: csv
              ? null
              : filled.map((step) => ({
                  thickness: step.thickness,
                  wireMark: step.wireMark === '' ? null : Number(step.wireMark),
                  voltMark: step.voltMark === '' ? null : Number(step.voltMark),
                })),
          },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['room'] });
      onDone();
    },
  });
  const filled = steps.filter(
    (step) => step.thickness !== '' || step.wireMark !== '' || step.voltMark !== '',
  );
  const fields = useFields(enter.error);
  const at = (step: Step, field: string) => fields[`steps[${filled.indexOf(step)}].${field}`];
  const change = (step: Step, part: Partial<Step>) =>
    setSteps((before) => {
      const after = before.map((each) => (each.key === step.key ? { ...each, ...part } : each));
      // A fresh row stands ready as soon as the last one is begun.
      return after.at(-1)?.thickness ? [...after, emptyStep()] : after;
    });
  const rest = Object.entries(fields).filter(([field]) => !field.includes('].'));
  return (
    <form
      className="stack enter-chart"
      aria-label="Enter a chart"
      onSubmit={(event) => {
        event.preventDefault();
        enter.mutate(null);
      }}
    >
      <div className="form-grid">
        <Select
          label="Process"
          data={Object.entries(processes)
            .filter(([key]) => !key.startsWith('gtaw'))
            .map(([value, label]) => ({ value, label }))}
          value={process}
          onChange={(value) => setProcess(value as Schemas['Process'])}
          error={fields.process}
        />
        <Select
          label="Wire"
          data={(stock?.wires ?? []).map((each) => ({ value: each.wire, label: wireName(each.wire) }))}
          value={wire}
          onChange={(value) => setWire(value)}
          error={fields.wire}
        />
        <Select
          label="Gas"
          data={Object.entries(gases).map(([value, label]) => ({ value, label }))}
          value={gas}
          onChange={(value) => setGas(value as Schemas['Gas'])}
          error={fields.gas}
        />
      </div>
      {steps.map((step, i) => (
        <div key={step.key} className={css.chartStep}>
          <TextInput
            aria-label={`Plate of step ${i + 1}`}
            placeholder="plate: 1/8, 11 ga, 3.2"
            maxLength={40}
            value={step.thickness}
            onChange={(event) => change(step, { thickness: event.currentTarget.value })}
            error={at(step, 'thickness')}
          />
          <NumberInput
            aria-label={`Wire mark of step ${i + 1}`}
            placeholder="wire mark"
            value={step.wireMark}
            onChange={(value) => change(step, { wireMark: value })}
            error={at(step, 'wireMark')}
          />
          <NumberInput
            aria-label={`Volt mark of step ${i + 1}`}
            placeholder="volt mark"
            value={step.voltMark}
            onChange={(value) => change(step, { voltMark: value })}
            error={at(step, 'voltMark')}
          />
        </div>
      ))}
      {enter.isError && Object.keys(fields).length === 0 && <Trouble error={enter.error} />}
      {rest.map(([field, text]) => (
        <p key={field} className="field-error" role="alert">
          {text}
        </p>
      ))}
      <div className="row">
        <Button type="submit" loading={enter.isPending}>
          Save the chart
        </Button>
        <FileButton
          accept=".csv,text/csv"
          resetRef={clear}
          onChange={(file) => {
            void file?.text().then((csv) => enter.mutate(csv));
            clear.current?.();
          }}
        >
          {(open) => (
            <Button {...open} variant="default">
              From CSV
            </Button>
          )}
        </FileButton>
        <Button variant="subtle" onClick={onDone}>
          Leave it
        </Button>
      </div>
      <p className="quiet">
        In the machine’s own marks. CSV has the columns thickness, wireMark, voltMark. A newer chart for the
        same wire and gas takes the place of the old one.
      </p>
    </form>
  );
}
