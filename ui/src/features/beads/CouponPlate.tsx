import { memo } from 'react';
import type { Schemas } from '../../shared/api/client';
import { verdicts } from '../../shared/words';
import { VerdictMark } from '../judging/VerdictMark';
import { BeadGlyph } from '../judging/BeadGlyph';
import css from './coupon.module.css';
import { useUnits } from '../../shared/units';

type Laid = { id: string; number: number; verdict: Schemas['Verdict']; shape: Schemas['BeadShape'] };

/** A coupon with its beads in the order they were laid. */
export function CouponPlate(props: {
  beads: Laid[];
  /** Asks for the beads before these; left out where there are none. */
  onEarlier?: (() => void) | undefined;
  chosen?: string | undefined;
  onChoose?: (id: string) => void;
}) {
  if (props.beads.length === 0) return <p className="empty-coupon">No bead on this coupon yet.</p>;
  return (
    <ol className={css.coupon}>
      {props.onEarlier && (
        <li>
          <button type="button" className="plain" onClick={props.onEarlier}>
            Earlier beads
          </button>
        </li>
      )}
      {props.beads.map((bead) => (
        <BeadRow key={bead.id} bead={bead} chosen={props.chosen === bead.id} onChoose={props.onChoose} />
      ))}
    </ol>
  );
}

// A bead that came leaves the rows of the others as they are.
const BeadRow = memo(function BeadRow(props: {
  bead: Laid;
  chosen: boolean;
  onChoose: ((id: string) => void) | undefined;
}) {
  const { bead, onChoose } = props;
  const { show } = useUnits();
  const inside = (
    <>
      <span className={css.beadNumber}>{bead.number}</span>
      <BeadGlyph
        shape={bead.shape}
        joint={bead.shape.joint}
        title={`Bead ${bead.number}, ${verdicts[bead.verdict]}, ${show('length', bead.shape.widthMm)} wide`}
      />
      <VerdictMark verdict={bead.verdict} />
    </>
  );
  return (
    <li>
      {onChoose ? (
        <button
          type="button"
          className={css.beadRow}
          aria-pressed={props.chosen}
          onClick={() => onChoose(bead.id)}
        >
          {inside}
        </button>
      ) : (
        <div className={css.beadRow}>{inside}</div>
      )}
    </li>
  );
});

/** A recorded bead as the coupon and the plane show it. */
export const asLaid = (bead: Schemas['Bead']) => ({
  id: bead.id,
  number: bead.number,
  verdict: bead.ruled ?? bead.judgement.verdict,
  shape: bead.judgement.shape,
  used: bead.used,
});

/** Beads of a coupon as marks on the settings plane; a TIG bead has no place there. */
export const asMarks = (beads: Schemas['LaidBead'][]) =>
  beads.flatMap(({ number, verdict, used }) => (used ? [{ number, verdict, used }] : []));
