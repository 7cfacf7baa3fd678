import { useRef } from 'react';
import css from './arc.module.css';

/** A knob for a mouse, a finger, a wheel or the arrow keys. Values are in what the person reads. */
export function Knob(props: {
  name: string;
  value: number;
  low: number;
  high: number;
  step: number;
  digits: number;
  unit: string;
  keys: string;
  onTurn: (value: number) => void;
}) {
  const { low, high, step, digits } = props;
  const held = useRef<{ y: number; from: number }>(null);
  const turn = (value: number) => {
    const settable = Math.round(value / step) * step;
    props.onTurn(Number(Math.min(high, Math.max(low, settable)).toFixed(4)));
  };
  const angle = -135 + (270 * (props.value - low)) / (high - low);
  return (
    <div className={css.knob}>
      <b>{props.name}</b>
      <div
        role="slider"
        tabIndex={0}
        className={css.knobFace}
        aria-label={props.name}
        aria-valuemin={low}
        aria-valuemax={high}
        aria-valuenow={props.value}
        aria-valuetext={`${props.value.toFixed(digits)} ${props.unit}`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          held.current = { y: event.clientY, from: props.value };
        }}
        onPointerMove={(event) => {
          const from = held.current;
          if (from) turn(from.from + ((from.y - event.clientY) / 220) * (high - low));
        }}
        onPointerUp={() => {
          held.current = null;
        }}
        onWheel={(event) => turn(props.value - Math.sign(event.deltaY) * step)}
        onKeyDown={(event) => {
          const by: Record<string, number> = {
            ArrowUp: step,
            ArrowRight: step,
            ArrowDown: -step,
            ArrowLeft: -step,
            PageUp: 5 * step,
            PageDown: -5 * step,
            Home: low - props.value,
            End: high - props.value,
          };
          const way = by[event.key];
          if (way === undefined) return;
          event.preventDefault();
          event.stopPropagation();
          turn(props.value + way);
        }}
      >
        <svg viewBox="-50 -50 100 100" aria-hidden>
          <circle r={42} className={css.knobRing} />
          {Array.from({ length: 11 }, (_, i) => (
            <line
              key={i}
              className={css.knobTick}
              y1={-47}
              y2={-43}
              transform={`rotate(${String(-135 + 27 * i)})`}
            />
          ))}
          <circle r={32} className={css.knobCap} />
          <line className={css.knobHand} y1={-12} y2={-31} transform={`rotate(${angle.toFixed(1)})`} />
        </svg>
      </div>
      <span className={css.knobValue}>
        {props.value.toFixed(digits)} {props.unit}
      </span>
      <div className={css.knobSteps}>
        <button type="button" aria-label={`${props.name} down`} onClick={() => turn(props.value - step)}>
          −
        </button>
        <kbd>{props.keys}</kbd>
        <button type="button" aria-label={`${props.name} up`} onClick={() => turn(props.value + step)}>
          +
        </button>
      </div>
    </div>
  );
}
