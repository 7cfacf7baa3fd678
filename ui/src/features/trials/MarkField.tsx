import { NumberInput, Select } from '@mantine/core';
import type { ReactNode } from 'react';
import type { Schemas } from '../../shared/api/client';
import { everyMark, isListed, readMark } from '../machines/marks';

/** A mark of one control: picked where it has few, typed where it has many. */
export function MarkField(props: {
  label: string;
  control: Schemas['Control'];
  disabled: boolean;
  value: number | string;
  onChange: (value: number | string) => void;
  error: ReactNode;
}) {
  const { control, onChange, ...field } = props;
  return isListed(control) ? (
    <Select
      size="lg"
      {...field}
      data={everyMark(control).map((one) => ({ value: String(one), label: readMark(control, one) }))}
      value={String(props.value)}
      onChange={(one) => onChange(Number(one))}
    />
  ) : (
    <NumberInput
      size="lg"
      {...field}
      onChange={onChange}
      prefix={control.kind === 'tap' ? 'tap ' : ''}
      suffix={control.unit ? ` ${control.unit}` : ''}
    />
  );
}
