import { Button, FileButton, NumberInput, Select, TextInput } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useStock } from '../../shared/useStock';
import { gases, processes, wireName } from '../../shared/words';
import { useFields } from '../../shared/words/useSay';
import css from './machines.module.css';
import type { Detail } from './useMachines';

interface Chart {
  process: Schemas['Process'];
  wire: Schemas['Wire'] | null;
  gas: Schemas['Gas'];
  steps: Step[];
}

interface Step {
  key: string;
  thickness: string;
  wireMark: number | string;
  voltMark: number | string;
}
const emptyStep = (): Step => ({ key: newId(), thickness: '', wireMark: '', voltMark: '' });

/** A chart typed off the door, or read from a file. */
export function EnterChart({ detail, onDone }: { detail: Detail; onDone: () => void }) {
  const queries = useQueryClient();
  const stock = useStock().data;
  const { load } = detail.machine;
  const [id] = useState(newId);
  const clear = useRef<() => void>(null);
  const form = useForm<Chart>({
    initialValues: {
      process: 'gmawShortCircuit',
      wire: load.wire ?? null,
      gas: load.gas,
      steps: [emptyStep(), emptyStep(), emptyStep()],
    },
  });
  const { steps, ...madeFor } = form.values;
  const enter = useMutation({
    mutationFn: (csv: string | null) =>
      answer(
        api.PUT('/api/machines/{id}/charts/{chartId}', {
          params: { path: { id: detail.machineId, chartId: id } },
          body: {
            ...madeFor,
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
  // A fresh row stands ready as soon as the last one is begun.
  const begun = (index: number) => {
    if (index === steps.length - 1) form.insertListItem('steps', emptyStep());
  };
  const rest = Object.entries(fields).filter(([field]) => !field.includes('].'));
  return (
    <form
      className="stack enter-chart"
      aria-label="Enter a chart"
      onSubmit={form.onSubmit(() => enter.mutate(null))}
    >
      <div className="form-grid">
        <Select
          label="Process"
          data={Object.entries(processes)
            .filter(([key]) => !key.startsWith('gtaw'))
            .map(([value, label]) => ({ value, label }))}
          {...form.getInputProps('process')}
          error={fields.process}
        />
        <Select
          label="Wire"
          data={(stock?.wires ?? []).map((each) => ({ value: each.wire, label: wireName(each.wire) }))}
          {...form.getInputProps('wire')}
          error={fields.wire}
        />
        <Select
          label="Gas"
          data={Object.entries(gases).map(([value, label]) => ({ value, label }))}
          {...form.getInputProps('gas')}
          error={fields.gas}
        />
      </div>
      {steps.map((step, i) => (
        <div key={step.key} className={css.chartStep}>
          <TextInput
            aria-label={`Plate of step ${i + 1}`}
            placeholder="plate: 1/8, 11 ga, 3.2"
            maxLength={40}
            {...form.getInputProps(`steps.${i}.thickness`)}
            onInput={() => begun(i)}
            error={at(step, 'thickness')}
          />
          <NumberInput
            aria-label={`Wire mark of step ${i + 1}`}
            placeholder="wire mark"
            {...form.getInputProps(`steps.${i}.wireMark`)}
            error={at(step, 'wireMark')}
          />
          <NumberInput
            aria-label={`Volt mark of step ${i + 1}`}
            placeholder="volt mark"
            {...form.getInputProps(`steps.${i}.voltMark`)}
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
