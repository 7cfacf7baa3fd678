import type { Schemas } from '../../shared/api/client';
import css from './controlFace.module.css';

type Control = Schemas['Control'];

/** A machine's control as it should stand: knob, taps, switches, trim or display. */
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
    <figure className={css.controlFace}>
      <figcaption>{title}</figcaption>
      <svg viewBox="-60 -60 120 112" aria-hidden="true">
        {control.kind === 'digital' ? (
          <Display mark={mark} unit={control.unit} />
        ) : control.kind === 'coarseFine' ? (
          <CoarseFine control={control} mark={mark} />
        ) : (
          <Dial {...scaleOf(control)} mark={mark} />
        )}
      </svg>
      {control.kind !== 'digital' && <strong>{reads}</strong>}
    </figure>
  );
}

function Display({ mark, unit }: { mark: number; unit: string }) {
  return (
    <g className={css.display}>
      <rect x={-54} y={-26} width={108} height={50} rx={3} />
      <text y={9} textAnchor="middle">
        {Number(mark.toFixed(2))}
      </text>
      <text className={css.unit} y={46} textAnchor="middle">
        {unit}
      </text>
    </g>
  );
}

interface Scale {
  lowest: number;
  highest: number;
  marks: { at: number; name: string }[];
}

/** The marks written around a dial: every one of a switch, ten along a knob. */
function scaleOf(control: Control): Scale {
  const span = control.highestMark - control.lowestMark;
  const names = control.names ?? [];
  const steps = control.kind === 'tap' || control.kind === 'plateSelector';
  const step = steps ? control.markStep : span / 10;
  return {
    lowest: control.lowestMark,
    highest: control.highestMark,
    marks: Array.from({ length: Math.round(span / step) + 1 }, (_, i) => {
      const at = control.lowestMark + i * step;
      return { at, name: names[i] && steps ? names[i] : String(Number(at.toFixed(1))) };
    }),
  };
}

function CoarseFine({ control, mark }: { control: Control; mark: number }) {
  const names = control.names ?? [];
  const place = mark - control.lowestMark;
  const coarse = Math.floor(place / control.fineSteps);
  const listed = (labels: string[]): Scale => ({
    lowest: 0,
    highest: labels.length - 1,
    marks: labels.map((name, at) => ({ at, name })),
  });
  return (
    <>
      <g transform="translate(-29 0) scale(0.52)">
        <Dial {...listed(names)} mark={coarse} />
      </g>
      <g transform="translate(29 0) scale(0.52)">
        <Dial
          {...listed(Array.from({ length: control.fineSteps }, (_, i) => String(i + 1)))}
          mark={place % control.fineSteps}
        />
      </g>
    </>
  );
}

const sweep = { from: -135, to: 135 };

function Dial({ lowest, highest, marks, mark }: Scale & { mark: number }) {
  const angle = (at: number) => sweep.from + ((at - lowest) / (highest - lowest)) * (sweep.to - sweep.from);
  const at = (degrees: number, radius: number) => {
    const turn = (degrees * Math.PI) / 180;
    return { x: Math.sin(turn) * radius, y: -Math.cos(turn) * radius };
  };
  return (
    <g className={css.dial}>
      <circle r={31} />
      {marks.map((each) => {
        const outer = at(angle(each.at), 38);
        const inner = at(angle(each.at), 33);
        const name = at(angle(each.at), 48);
        return (
          <g key={each.at}>
            <path className={css.tick} d={`M${inner.x},${inner.y}L${outer.x},${outer.y}`} />
            <text x={name.x} y={name.y + 4} textAnchor="middle">
              {each.name}
            </text>
          </g>
        );
      })}
      <path className={css.pointer} d="M0,6V-29" transform={`rotate(${angle(mark)})`} />
      <circle className={css.hub} r={8} />
    </g>
  );
}
