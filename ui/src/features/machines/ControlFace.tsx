import type { Schemas } from '../../shared/api/client';
import './machines.css';

type Control = Schemas['Control'];

/** A machine's control as it should stand: knob, taps or display. */
export function ControlFace({
  control,
  mark,
  title,
  reads,
}: {
  control: Control;
  mark: number;
  title: string;
  /** The mark in the machine's own words. */
  reads: string;
}) {
  return (
    <figure className="control-face">
      <figcaption>{title}</figcaption>
      <svg viewBox="-60 -60 120 112" aria-hidden="true">
        {control.kind === 'digital' ? (
          <Display mark={mark} unit={control.unit} />
        ) : (
          <Dial control={control} mark={mark} />
        )}
      </svg>
      {control.kind !== 'digital' && <strong>{reads}</strong>}
    </figure>
  );
}

function Display({ mark, unit }: { mark: number; unit: string }) {
  return (
    <g className="display">
      <rect x={-54} y={-26} width={108} height={50} rx={3} />
      <text y={9} textAnchor="middle">
        {Number(mark.toFixed(2))}
      </text>
      <text className="unit" y={46} textAnchor="middle">
        {unit}
      </text>
    </g>
  );
}

const sweep = { from: -135, to: 135 };

function Dial({ control, mark }: { control: Control; mark: number }) {
  const span = control.highestMark - control.lowestMark;
  const angle = (at: number) => sweep.from + ((at - control.lowestMark) / span) * (sweep.to - sweep.from);
  const step = control.kind === 'tap' ? control.markStep : span / 10;
  const marks = Array.from({ length: Math.round(span / step) + 1 }, (_, i) => control.lowestMark + i * step);
  const at = (degrees: number, radius: number) => {
    const turn = (degrees * Math.PI) / 180;
    return { x: Math.sin(turn) * radius, y: -Math.cos(turn) * radius };
  };
  return (
    <g className="dial">
      <circle r={31} />
      {marks.map((each) => {
        const outer = at(angle(each), 38);
        const inner = at(angle(each), 33);
        const name = at(angle(each), 48);
        return (
          <g key={each}>
            <path className="tick" d={`M${inner.x},${inner.y}L${outer.x},${outer.y}`} />
            <text x={name.x} y={name.y + 4} textAnchor="middle">
              {Number(each.toFixed(1))}
            </text>
          </g>
        );
      })}
      <path className="pointer" d="M0,6V-29" transform={`rotate(${angle(mark)})`} />
      <circle className="hub" r={8} />
    </g>
  );
}
