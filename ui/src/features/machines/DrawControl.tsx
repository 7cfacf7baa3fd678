import { NumberInput, Select, TextInput } from '@mantine/core';
import type { ReactNode } from 'react';
import type { Schemas } from '../../shared/api/client';
import { type Drawn, kindWords } from './fronts';
import css from './machines.module.css';

/** One control of a front, described: of what kind, from which mark to which. */
export function DrawControl(props: {
  title: string;
  units: string[];
  trimmed: boolean;
  control: Drawn;
  onChange: (change: Partial<Drawn>) => void;
  error: ReactNode;
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
