import { NumberInput } from '@mantine/core';
import { useState } from 'react';
import { useTypedUnits } from '../../shared/units';

/** How long the known length in a picture is, in the person's own units. */
export function KnownLength({ mm, onChange }: { mm: number; onChange: (mm: number) => void }) {
  const [typed, setTyped] = useState<number | string | null>(null);
  const { per, unit } = useTypedUnits(typed !== null);
  return (
    <NumberInput
      label="The known length is"
      suffix={` ${unit('length')}`}
      min={0}
      value={typed ?? Number((mm * per('length')).toFixed(4))}
      onChange={(next) => {
        setTyped(next);
        onChange(Number(next) / per('length'));
      }}
    />
  );
}
