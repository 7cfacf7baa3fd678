import { ActionIcon, NumberInput, Select } from '@mantine/core';
import { IconMinus, IconPlus } from '@tabler/icons-react';
import type { Schemas } from '../../shared/api/client';
import { type Kind, type System, useUnits } from '../../shared/units';
import { everyMark, isListed, readMark } from '../machines/marks';
import css from './capture.module.css';

/** What was set: the mark the control stood at, or the value somebody measured. */
export interface Used {
  by: 'mark' | 'measured';
  value: number | string;
  /** The units a measured value was typed in; left out while none is typed. */
  units?: System | undefined;
}

/** A setting used, in marks by big steppers, or as a measured value. */
export function SettingUsed(props: {
  title: string;
  control: Schemas['Control'];
  kind: Kind;
  used: Used;
  onChange: (used: Used) => void;
  error?: string | undefined;
}) {
  const { control, used } = props;
  // A typed number keeps its unit, whatever the reader changes to in the middle of it.
  const { unit, units } = useUnits(used.units);
  const typed = (value: number | string) =>
    props.onChange({ ...used, value, units: value === '' || used.by === 'mark' ? undefined : units });
  const byMark = used.by === 'mark';
  const step = byMark ? tapStep(control) : props.kind === 'wireFeed' && units === 'inch' ? 5 : 0.1;
  const lowest = byMark && control.kind === 'trim' ? control.lowestMark : 0;
  const move = (way: number) => typed(Number(Math.max(lowest, Number(used.value) + way * step).toFixed(3)));
  return (
    <fieldset className={css.settingUsed} aria-label={`${props.title} used`}>
      <div className={css.settingRow}>
        <ActionIcon {...key} aria-label={`${props.title} down`} onClick={() => move(-1)}>
          <IconMinus />
        </ActionIcon>
        {byMark && isListed(control) ? (
          <Select
            label={props.title}
            size="xl"
            data={everyMark(control).map((mark) => ({ value: String(mark), label: readMark(control, mark) }))}
            value={used.value === '' ? null : String(used.value)}
            onChange={(value) => typed(Number(value))}
            error={props.error !== undefined}
          />
        ) : (
          <NumberInput
            label={props.title}
            size="xl"
            allowNegative
            value={used.value}
            onChange={typed}
            step={step}
            min={lowest}
            clampBehavior="none"
            prefix={byMark ? { tap: 'tap ', trim: 'trim ' }[control.kind as string] : ''}
            suffix={byMark ? (control.kind === 'digital' ? ` ${control.unit}` : '') : ` ${unit(props.kind)}`}
            error={props.error !== undefined}
          />
        )}
        <ActionIcon {...key} aria-label={`${props.title} up`} onClick={() => move(1)}>
          <IconPlus />
        </ActionIcon>
      </div>
      <button
        type="button"
        className="plain"
        onClick={() => props.onChange({ by: byMark ? 'measured' : 'mark', value: '' })}
      >
        {byMark ? 'measured instead?' : 'read off the machine?'}
      </button>
      {props.error && (
        <p className="field-error" role="alert">
          {props.error}
        </p>
      )}
    </fieldset>
  );
}

// For fingers; whoever has keys turns the field itself by its arrows.
const key = { variant: 'default', size: 56, tabIndex: -1 } as const;

/** What one tap moves: a mark, or on a fine display as much as can be heard. */
function tapStep(control: Schemas['Control']): number {
  if (control.kind !== 'digital') return control.markStep;
  return { 'in/min': 5, 'm/min': 0.2, V: 0.5 }[control.unit] ?? control.markStep;
}
