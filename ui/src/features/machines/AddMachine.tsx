import { Button, Checkbox, NumberInput, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../shared/api/client';
import { newId } from '../../shared/newId';
import { Trouble } from '../../shared/Trouble';
import { useEntry } from '../../shared/useEntry';
import { gases, polarities, processes, wireName } from '../../shared/words';
import { useStock } from '../../shared/useStock';
import { controlOf, type Drawn, type Front, fronts, kindWords } from './fronts';
import css from './machines.module.css';
import { LoadTrouble } from '../../shared/Loaded';

interface Program {
  key: string;
  number: number | string;
  wire: string | null;
  gas: string | null;
  process: string | null;
}

interface Values extends Record<string, unknown> {
  name: string;
  wire: string | null;
  gas: string;
  polarity: string;
  ratedAmps: number | string;
  ratedPercent: number | string;
  mostAmps: number | string;
  inductance: boolean;
  voltsUnderLoad: boolean;
  hasAc: boolean;
}

const firstFront = Object.keys(fronts)[0] ?? '';

/** A machine in a booth of its own: begin from a front met in shops, change what differs. */
export function AddMachine({ nextNumber, onAdded }: { nextNumber: number; onAdded: () => void }) {
  const shelf = useStock();
  const stock = shelf.data;
  const [boothId, setBoothId] = useState(newId);
  const [frontName, setFrontName] = useState(firstFront);
  const [front, setFront] = useState<Front>(fronts[firstFront] as Front);
  const [programs, setPrograms] = useState<Program[]>([]);
  const [detail, setDetail] = useState(false);
  const { form, pending, submit, trouble } = useEntry<Values, unknown>(
    {
      name: '',
      wire: 'solid08',
      gas: 'argonCarbon25',
      polarity: 'torchPlus',
      ratedAmps: '',
      ratedPercent: '',
      mostAmps: '',
      inductance: false,
      voltsUnderLoad: false,
      hasAc: false,
    },
    (values, id) =>
      answer(
        api.PUT('/api/machines/{id}', {
          params: { path: { id } },
          body: {
            boothId,
            boothNumber: nextNumber,
            machine: {
              name: values.name,
              load: {
                wire: front.wire ? (values.wire as Schemas['Wire'] | null) : null,
                gas: values.gas as Schemas['Gas'],
                polarity: values.polarity as Schemas['Polarity'],
              },
              wireControl: front.wire && controlOf(front.wire),
              voltControl: front.volt && controlOf(front.volt),
              ampControl: front.amp && controlOf(front.amp),
              rating:
                values.ratedAmps === ''
                  ? null
                  : {
                      amps: Number(values.ratedAmps),
                      dutyPercent: Number(values.ratedPercent),
                      mostAmps: Number(values.mostAmps === '' ? values.ratedAmps : values.mostAmps),
                    },
              inductance: values.inductance,
              voltsUnderLoad: values.voltsUnderLoad,
              hasAc: values.hasAc,
              programs: programs
                .filter((program) => program.number !== '' && program.wire && program.gas && program.process)
                .map((program) => ({
                  number: Number(program.number),
                  wire: program.wire as Schemas['Wire'],
                  gas: program.gas as Schemas['Gas'],
                  process: program.process as Schemas['Process'],
                })),
            },
          },
        }),
      ),
    () => {
      setBoothId(newId());
      setPrograms([]);
      onAdded();
    },
  );
  const errors = form.errors;
  const draw = (which: keyof Front, change: Partial<Drawn>) =>
    setFront((before) => {
      const control = before[which];
      return control ? { ...before, [which]: { ...control, ...change } } : before;
    });
  return (
    <form className="panel stack" aria-label="Add a machine" onSubmit={submit}>
      <h2>Add booth {nextNumber}</h2>
      <LoadTrouble of={shelf} what="wires and gases" />
      <TextInput label="Machine, as the room calls it" {...form.getInputProps('name')} />
      <Select
        label="Front"
        data={Object.keys(fronts)}
        value={frontName}
        onChange={(name) => {
          if (!name) return;
          setFrontName(name);
          setFront(fronts[name] as Front);
          if (!fronts[name]?.wire) form.setValues({ gas: 'argon', polarity: 'torchMinus' });
        }}
      />
      <button type="button" className="plain" onClick={() => setDetail(!detail)}>
        {detail ? 'hide the marks' : 'change marks, rating, programs'}
      </button>
      {detail && (
        <>
          {(['wire', 'volt', 'amp'] as const).map((which) => {
            const control = front[which];
            return (
              control && (
                <DrawControl
                  key={which}
                  title={{ wire: 'Wire', volt: 'Volts', amp: 'Amps' }[which]}
                  units={{ wire: ['in/min', 'm/min'], volt: ['V'], amp: ['A'] }[which]}
                  trimmed={which === 'volt'}
                  control={control}
                  onChange={(change) => draw(which, change)}
                  error={errors[`${which}Control`]}
                />
              )
            );
          })}
          <div className="form-grid">
            <NumberInput
              label="Rated amps"
              suffix=" A"
              {...form.getInputProps('ratedAmps')}
              error={errors.rating}
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
          <Programs programs={programs} setPrograms={setPrograms} error={errors.programs} />
        </>
      )}
      {!detail &&
        (errors.wireControl ||
          errors.voltControl ||
          errors.ampControl ||
          errors.rating ||
          errors.programs) && (
          <p className="field-error">
            {errors.wireControl ??
              errors.voltControl ??
              errors.ampControl ??
              errors.rating ??
              errors.programs}
          </p>
        )}
      <div className="form-grid">
        {front.wire && (
          <Select
            label="Wire on it"
            clearable
            data={(stock?.wires ?? []).map((wire) => ({ value: wire.wire, label: wireName(wire.wire) }))}
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
      {errors.boothNumber && <p className="field-error">{errors.boothNumber}</p>}
      {trouble && <Trouble error={trouble} />}
      <Button type="submit" variant="default" loading={pending}>
        Add machine
      </Button>
    </form>
  );
}

function DrawControl(props: {
  title: string;
  units: string[];
  trimmed: boolean;
  control: Drawn;
  onChange: (change: Partial<Drawn>) => void;
  error: React.ReactNode;
}) {
  const { control, onChange } = props;
  const kinds = (Object.keys(kindWords) as Schemas['ControlKind'][]).filter(
    (kind) => kind !== 'trim' || props.trimmed,
  );
  const named = {
    tap: 'Names of the taps, if lettered',
    coarseFine: 'Coarse steps',
    plateSelector: 'Plates at the marks',
  }[control.kind as string];
  const ranged =
    ['digital', 'knob', 'trim'].includes(control.kind) ||
    (control.kind === 'tap' && control.names.trim() === '');
  return (
    <fieldset className={css.drawControl}>
      <legend>{props.title}</legend>
      <div className="form-grid">
        <Select
          label="Kind"
          aria-label={`${props.title} kind`}
          data={kinds.map((kind) => ({ value: kind, label: kindWords[kind] }))}
          value={control.kind}
          onChange={(kind) =>
            kind &&
            onChange({
              kind: kind,
              unit: kind === 'digital' ? (props.units[0] ?? '') : '',
            })
          }
        />
        {control.kind === 'digital' && (
          <Select
            label="Shows"
            data={props.units}
            value={control.unit}
            onChange={(unit) => onChange({ unit: unit ?? '' })}
          />
        )}
        {named && (
          <TextInput
            label={named}
            placeholder="A, B, C"
            value={control.names}
            onChange={(event) => onChange({ names: event.currentTarget.value })}
          />
        )}
        {control.kind === 'coarseFine' && (
          <NumberInput
            label="Fine steps each"
            value={control.fineSteps}
            onChange={(fineSteps) => onChange({ fineSteps })}
          />
        )}
        {ranged && (
          <>
            <NumberInput
              label="Lowest mark"
              value={control.lowest}
              onChange={(lowest) => onChange({ lowest })}
            />
            <NumberInput
              label="Highest mark"
              value={control.highest}
              onChange={(highest) => onChange({ highest })}
            />
          </>
        )}
        {ranged && control.kind !== 'tap' && (
          <NumberInput label="Smallest step" value={control.step} onChange={(step) => onChange({ step })} />
        )}
        {control.kind === 'trim' && (
          <NumberInput
            label="Volts a mark"
            suffix=" V"
            value={control.trimVolts}
            onChange={(trimVolts) => onChange({ trimVolts })}
          />
        )}
      </div>
      {props.error && <p className="field-error">{props.error}</p>}
    </fieldset>
  );
}

function Programs(props: {
  programs: Program[];
  setPrograms: React.Dispatch<React.SetStateAction<Program[]>>;
  error: React.ReactNode;
}) {
  const stock = useStock().data;
  const change = (program: Program, part: Partial<Program>) =>
    props.setPrograms((before) =>
      before.map((each) => (each.key === program.key ? { ...each, ...part } : each)),
    );
  return (
    <fieldset className={css.drawControl}>
      <legend>Program numbers</legend>
      {props.programs.map((program) => (
        <div key={program.key} className="form-grid">
          <NumberInput
            label="Number"
            value={program.number}
            onChange={(number) => change(program, { number })}
          />
          <Select
            label="Wire"
            data={(stock?.wires ?? []).map((wire) => ({ value: wire.wire, label: wireName(wire.wire) }))}
            value={program.wire}
            onChange={(wire) => change(program, { wire })}
          />
          <Select
            label="Gas"
            data={Object.entries(gases).map(([value, label]) => ({ value, label }))}
            value={program.gas}
            onChange={(gas) => change(program, { gas })}
          />
          <Select
            label="Mode"
            data={Object.entries(processes)
              .filter(([key]) => !key.startsWith('gtaw'))
              .map(([value, label]) => ({ value, label }))}
            value={program.process}
            onChange={(process) => change(program, { process })}
          />
        </div>
      ))}
      {props.error && <p className="field-error">{props.error}</p>}
      <Button
        variant="default"
        onClick={() =>
          props.setPrograms((before) => [
            ...before,
            { key: newId(), number: '', wire: null, gas: null, process: null },
          ])
        }
      >
        Add a program
      </Button>
    </fieldset>
  );
}
