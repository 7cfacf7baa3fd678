import { Button, NumberInput, Select } from '@mantine/core';
import { type UseFormReturnType } from '@mantine/form';
import { useUnits } from '../../shared/units';
import type { Draft } from './exerciseDraft';

const sides = [
  ['widthMm', 'Wide'],
  ['thicknessMm', 'Thick'],
  ['longMm', 'Long'],
] as const;

const inch = 25.4;

/** A piece of a coupon, its sizes in the reader's units. */
export function PieceFields(props: {
  form: UseFormReturnType<Draft>;
  place: number;
  forms: { value: string; label: string }[];
}) {
  const { form, place } = props;
  const at = `pieces.${place}`;
  const per = useUnits().units === 'inch' ? inch : 1;
  const unit = per === 1 ? 'mm' : 'in';
  return (
    <div className="naming" role="group" aria-label={`Piece ${place + 1}`}>
      <NumberInput label="How many" w={110} min={1} max={20} {...form.getInputProps(`${at}.count`)} />
      <Select
        label="Cut from"
        w={140}
        allowDeselect={false}
        data={props.forms}
        {...form.getInputProps(`${at}.form`)}
      />
      {sides.map(([side, label]) => (
        <NumberInput
          key={side}
          label={`${label}, ${unit}`}
          w={120}
          decimalScale={per === 1 ? 1 : 3}
          value={(form.values.pieces[place]?.[side] ?? 0) / per}
          error={form.errors[`${at}.${side}`]}
          onChange={(value) => form.setFieldValue(`${at}.${side}`, Number(value) * per)}
        />
      ))}
      <Button variant="default" onClick={() => form.removeListItem('pieces', place)}>
        Take out
      </Button>
    </div>
  );
}
