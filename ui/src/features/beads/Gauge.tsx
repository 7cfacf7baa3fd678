import { NumberInput, TextInput } from '@mantine/core';
import { type ReactNode, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { type EvidenceDraft, type GaugeName, gauges } from './evidenceDraft';
import css from './capture.module.css';

const sizeLabels: Record<Schemas['BeadMeasure'], string> = { leg: 'Leg', width: 'Width', hole: 'Hole' };

/** Ruler, gauge, watch and read-outs; the two most used stand open, the rest behind a key. */
export function Gauge(props: {
  sheet: Schemas['Sheet'];
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
  fields: Record<string, ReactNode>;
  tungsten: boolean;
}) {
  const { sheet, draft, change, fields } = props;
  // A typed number keeps its unit, whatever the reader changes to in the middle of it.
  const { unit } = useUnits(draft.units);
  const names = gaugesOf(sheet);
  const wrong = Object.keys(fields).some((field) => field.startsWith('evidence.measured'));
  const filled = names.some((name) => (draft.measured[name] ?? '') !== '') || draft.pores !== '';
  const [opened, setOpened] = useState(filled);
  const open = opened || wrong;
  return (
    <>
      <div className={css.measured}>
        <NumberInput
          label={`${sizeLabels[sheet.beadMeasure]}, if measured`}
          size="lg"
          suffix={` ${unit('length')}`}
          value={draft.size}
          onChange={(size) => change({ size })}
          error={fields['evidence.beadSizeMm']}
        />
        {!props.tungsten && (
          <NumberInput
            label="Stick-out, if measured"
            size="lg"
            suffix={` ${unit('length')}`}
            value={draft.stickOut}
            onChange={(stickOut) => change({ stickOut })}
            error={fields['evidence.stickOutMm']}
          />
        )}
      </div>
      <button type="button" className="plain" aria-expanded={open} onClick={() => setOpened(!open)}>
        {open ? 'Fewer numbers' : 'More numbers: gauge, watch, read-outs'}
      </button>
      {open && (
        <div className={`${css.measured} ${css.more}`}>
          {names.map((name) => (
            <NumberInput
              key={name}
              label={gauges[name].label}
              size="lg"
              suffix={` ${gauges[name].kind === 'seconds' ? 's' : unit(gauges[name].kind)}`}
              value={draft.measured[name] ?? ''}
              onChange={(value) => change({ measured: { ...draft.measured, [name]: value } })}
              error={fields[`evidence.measured.${name}`]}
            />
          ))}
          <TextInput
            label={`Pores, ${unit('length')} across`}
            placeholder="none, or 0.8 1.2"
            size="lg"
            value={draft.pores}
            onChange={(event) => change({ pores: event.currentTarget.value })}
            error={fields['evidence.measured.poresMm']}
          />
        </div>
      )}
    </>
  );
}

/** The numbers a bead of this sheet can have. */
const gaugesOf = ({ beadMeasure }: Schemas['Sheet']) =>
  (Object.keys(gauges) as GaugeName[]).filter(
    (name) =>
      !(name === 'widthMm' && beadMeasure === 'width') &&
      (beadMeasure === 'leg'
        ? !['excessPenetrationMm', 'rootWidthMm'].includes(name)
        : !['otherLegMm', 'throatMm'].includes(name)),
  );
