import { NumberInput } from '@mantine/core';
import { useUnits } from '../../shared/units';
import css from './boothBead.module.css';
import type { EvidenceDraft } from './evidenceDraft';

// What a bead can be long, mm: more is a slip of the finger.
const longest = 1_000;

/** How long the bead is: with its arc time, how fast it was laid. */
export function LengthLaid(props: {
  seconds: number | null;
  draft: EvidenceDraft;
  change: (part: Partial<EvidenceDraft>) => void;
  /** As the sheet wants it, mm/min. */
  aim: number | null;
}) {
  const { draft, seconds, aim } = props;
  // A typed number keeps its unit, whatever the reader changes to in the middle of it.
  const { unit, per, show } = useUnits(draft.units);
  const length = draft.measured.beadLengthMm ?? '';
  if (seconds === null && length === '') return null;
  const mm = Number(length) / per('length');
  const speed = seconds && mm > 0 ? (mm / seconds) * 60 : null;
  return (
    <div className={css.length}>
      <NumberInput
        label="How long is the bead?"
        description="It tells how fast your hand was."
        size="lg"
        suffix={` ${unit('length')}`}
        max={Math.floor(longest * per('length'))}
        clampBehavior="strict"
        allowNegative={false}
        value={length}
        onChange={(beadLengthMm) => props.change({ measured: { ...draft.measured, beadLengthMm } })}
      />
      {speed !== null && (
        <output aria-label="Travel">
          {show('travel', speed)}
          {aim !== null && <span className="quiet">, sheet {show('travel', aim)}</span>}
        </output>
      )}
    </div>
  );
}
