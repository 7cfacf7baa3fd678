import { Button, Checkbox, NumberInput, Select, TextInput } from '@mantine/core';
import type { UseFormReturnType } from '@mantine/form';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { useStock } from '../../shared/useStock';
import { gases, polarities, wireName } from '../../shared/words';
import { DrawControl } from './DrawControl';
import { type Drawn, type Front, fronts } from './fronts';
import { type MachineEntry, newMachine, toMachine, withFront } from './machineEntry';
import { Programs } from './Programs';

type Form = UseFormReturnType<MachineEntry>;

const controls: { which: keyof Front; title: string; units: string[] }[] = [
  { which: 'wire', title: 'Wire', units: ['in/min', 'm/min'] },
  { which: 'volt', title: 'Volts', units: ['V'] },
  { which: 'amp', title: 'Amps', units: ['A'] },
];
const folded = ['wireControl', 'voltControl', 'ampControl', 'rating', 'programs'];

/** A machine and where it stands: begin from a front met in shops, change what differs. */
export function AddMachine(props: {
  booths: Schemas['BoothWithMachines'][];
  roomId: string;
  onAdded: () => void;
}) {
  const { booths, roomId, onAdded } = props;
  const shelf = useStock();
  const [boothId, setBoothId] = useState(newId);
  const [detail, setDetail] = useState(false);
  const { form, pending, submit, trouble } = useEntry<MachineEntry, unknown>(
    {
      ...newMachine,
      boothNumber: Math.max(0, ...booths.map(({ booth }) => booth.number)) + 1,
    },
    (entry, id) =>
      answer(
        api.PUT('/api/machines/{id}', {
          params: { path: { id } },
          body: { boothId, boothNumber: Number(entry.boothNumber), roomId, machine: toMachine(entry) },
        }),
      ),
    () => {
      setBoothId(newId());
      onAdded();
    },
  );
  const { errors, values } = form;
  const beside = booths
    .find(({ booth }) => booth.number === Number(values.boothNumber))
    ?.machines.map(({ name }) => name)
    .join(', ');
  const unseen = folded.map((field) => errors[field]).find(Boolean);
  return (
    <form className="panel stack" aria-label="Add a machine" onSubmit={submit}>
      <LoadTrouble of={shelf} what="wires and gases" />
      <TextInput label="Machine, as the room calls it" {...form.getInputProps('name')} />
      <NumberInput
        label="Booth it stands in"
        min={1}
        max={999}
        {...form.getInputProps('boothNumber')}
        description={beside ? `beside ${beside}` : 'a new booth, where there is none of this number'}
      />
      <Select
        label="Front"
        data={Object.keys(fronts)}
        value={values.frontName}
        onChange={(name) => name && form.setValues(withFront(name))}
      />
      <button type="button" className="plain" onClick={() => setDetail(!detail)}>
        {detail ? 'hide the marks' : 'change marks, rating, programs'}
      </button>
      {detail && <Detail form={form} />}
      {!detail && unseen && <p className="field-error">{unseen}</p>}
      <div className="form-grid">
        {values.front.wire && (
          <Select
            label="Wire on it"
            clearable
            data={(shelf.data?.wires ?? []).map(({ wire }) => ({ value: wire, label: wireName(wire) }))}
            {...form.getInputProps('wire')}
          />
        )}
        <Select
          label="Gas on it"
          data={Object.entries(gases).map(([value, label]) => ({ value, label }))}
          {...form.getInputProps('gas')}
        />
        <Select
          label="Polarity now"
          data={Object.entries(polarities).map(([value, label]) => ({ value, label }))}
          {...form.getInputProps('polarity')}
        />
      </div>
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" variant="default" loading={pending}>
        Add machine
      </Button>
    </form>
  );
}

/** The marks of the front, its rating and its programs. */
function Detail({ form }: { form: Form }) {
  const draw = (which: keyof Front, change: Partial<Drawn>) =>
    form.setFieldValue('front', (before: Front) => {
      const control = before[which];
      return control ? { ...before, [which]: { ...control, ...change } } : before;
    });
  return (
    <>
      {controls.map(({ which, title, units }) => {
        const control = form.values.front[which];
        return (
          control && (
            <DrawControl
              key={which}
              title={title}
              units={units}
              trimmed={which === 'volt'}
              control={control}
              onChange={(change) => draw(which, change)}
              error={form.errors[`${which}Control`]}
            />
          )
        );
      })}
      <div className="form-grid">
        <NumberInput
          label="Rated amps"
          suffix=" A"
          {...form.getInputProps('ratedAmps')}
          error={form.errors.rating}
        />
        <NumberInput label="at a duty of" suffix=" %" {...form.getInputProps('ratedPercent')} />
        <NumberInput label="Most amps" suffix=" A" {...form.getInputProps('mostAmps')} />
      </div>
      <div className="row">
        <Checkbox label="Inductance" {...form.getInputProps('inductance', { type: 'checkbox' })} />
        <Checkbox
          label="Volts may be turned under load"
          {...form.getInputProps('voltsUnderLoad', { type: 'checkbox' })}
        />
        <Checkbox label="AC" {...form.getInputProps('hasAc', { type: 'checkbox' })} />
      </div>
      <Programs form={form} />
    </>
  );
}
