import type { Schemas } from '../../shared/api/client';
import css from './listening.module.css';

/** How wide a recording is drawn, in units of its drawing. */
export const width = 600;

/** A recording's outline: of a sound about its middle, of volts or amps up from nothing. */
export function Outline(props: {
  outline: Schemas['Outline'];
  from: number;
  height: number;
  low: number;
  amps?: boolean;
}) {
  const { low, high } = props.outline;
  const top = Math.max(0.02, ...high.map(Math.abs), ...low.map(Math.abs));
  const y = (value: number) =>
    props.low < 0
      ? props.from + props.height / 2 - (value / top) * (props.height / 2)
      : props.from + props.height - (Math.max(0, value) / top) * props.height;
  const point = (value: number, i: number) =>
    `${((i / high.length) * width).toFixed(1)},${y(value).toFixed(1)}`;
  return (
    <>
      <polygon
        className={props.amps ? `${css.wave} ${css.amps}` : css.wave}
        points={[...high.map(point), ...low.map(point).reverse()].join(' ')}
      />
      {props.low === 0 && (
        <text x={4} y={props.from + 12}>
          {props.amps ? `to ${Math.round(top)} A` : `to ${top.toFixed(0)} V`}
        </text>
      )}
    </>
  );
}
