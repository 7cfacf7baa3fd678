import { Button, NumberInput, Select } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import { useStock } from '../../shared/useStock';
import { gases, processes, wireName } from '../../shared/words';
import { emptyProgram, type MachineEntry } from './machineEntry';
import css from './machines.module.css';

const modes = Object.entries(processes)
  .filter(([key]) => !key.startsWith('gtaw'))
  .map(([value, label]) => ({ value, label }));

/** The numbers a machine is set by where it has programs: each stands for a wire, a gas and a mode. */
export function Programs({ form }: { form: UseFormReturnType<MachineEntry> }) {
  const stock = useStock().data;
  return (
    <fieldset className={css.drawControl}>
      <legend>Program numbers</legend>
      {form.values.programs.map((program, i) => (
        <div key={program.key} className="form-grid">
          <NumberInput label="Number" {...form.getInputProps(`programs.${i}.number`)} />
          <Select
            label="Wire"
            data={(stock?.wires ?? []).map((wire) => ({ value: wire.wire, label: wireName(wire.wire) }))}
            {...form.getInputProps(`programs.${i}.wire`)}
          />
          <Select
            label="Gas"
            data={Object.entries(gases).map(([value, label]) => ({ value, label }))}
            {...form.getInputProps(`programs.${i}.gas`)}
          />
          <Select label="Mode" data={modes} {...form.getInputProps(`programs.${i}.process`)} />
        </div>
      ))}
      {form.errors.programs && <p className="field-error">{form.errors.programs}</p>}
      <Button variant="default" onClick={() => form.insertListItem('programs', emptyProgram())}>
        Add a program
      </Button>
    </fieldset>
  );
}
