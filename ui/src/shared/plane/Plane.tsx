import { scaleLinear } from 'd3-scale';
import { type ReactNode, useId } from 'react';
import css from './plane.module.css';

/** One axis: from where to where, in the numbers' own unit, and how it reads. */
export interface Axis {
  from: number;
  to: number;
  /** What stands at the axis. */
  label: string;
  /** From the numbers' own unit to the reader's, by which ticks are round; 1 where there is none. */
  per?: number;
  /** Where only some places mean something: those, and what they are called. */
  places?: { at: number; name: string }[];
}

/** Places in a drawing. */
export interface Places {
  x: (value: number) => number;
  y: (value: number) => number;
  box: typeof box;
}

const box = { left: 52, top: 12, right: 468, bottom: 232 };
const height = 272;

/** Round numbers along an axis, in the reader's unit. */
export function ticksOf({ from, to, per = 1, places }: Axis, about: number): { at: number; name: string }[] {
  if (places) return places;
  const scale = scaleLinear().domain([from * per, to * per]);
  const format = scale.tickFormat(about);
  return scale.ticks(about).map((tick) => ({ at: tick / per, name: format(tick) }));
}

/** Every picture with two axes: a frame, ticks in the reader's units, and what is drawn in it. Its values are told in words as well. */
export function Plane(props: {
  /** All that it shows, with its values, for whoever does not see it. */
  tells: string;
  x: Axis;
  y: Axis;
  caption?: ReactNode;
  /** What stays within the frame. */
  inside?: (places: Places) => ReactNode;
  children?: (places: Places) => ReactNode;
}) {
  const clip = useId();
  const x = scaleLinear().domain([props.x.from, props.x.to]).range([box.left, box.right]);
  const y = scaleLinear().domain([props.y.from, props.y.to]).range([box.bottom, box.top]);
  const frame = {
    x: box.left,
    y: box.top,
    width: box.right - box.left,
    height: box.bottom - box.top,
  };
  return (
    <figure className={css.plane}>
      <svg viewBox={`0 0 480 ${height}`} role="img" aria-label={props.tells}>
        <clipPath id={clip}>
          <rect {...frame} />
        </clipPath>
        <rect className={css.frame} {...frame} />
        <g clipPath={`url(#${clip})`}>{props.inside?.({ x, y, box })}</g>
        {ticksOf(props.x, 7).map(({ at, name }) => (
          <text key={at} x={x(at)} y={box.bottom + 16} textAnchor="middle">
            {name}
          </text>
        ))}
        {ticksOf(props.y, 5).map(({ at, name }) => (
          <text key={at} x={box.left - 8} y={y(at) + 4} textAnchor="end">
            {name}
          </text>
        ))}
        <text x={box.right} y={box.bottom + 33} textAnchor="end">
          {props.x.label}
        </text>
        <text x={box.left + 6} y={box.top + 16}>
          {props.y.label}
        </text>
        {props.children?.({ x, y, box })}
      </svg>
      {props.caption && <figcaption className="quiet">{props.caption}</figcaption>}
    </figure>
  );
}
