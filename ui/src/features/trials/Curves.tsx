import { line } from 'd3-shape';
import type { Schemas } from '../../shared/api/client';
import { type Axis, Plane } from '../../shared/plane/Plane';
import { type Kind, useUnits } from '../../shared/units';
import { useSay } from '../../shared/words/useSay';
import css from './curves.module.css';

type Curve = Schemas['TrialCurve'];
type Point = Curve['points'][number];

const dashes = ['', '7 5', '2 4'];

/** What a trial varied, as an axis has it; joints and positions have no numbers. */
const varied: Partial<Record<Schemas['Variable'], { kind: Kind; label: string }>> = {
  amps: { kind: 'amps', label: 'amps' },
  volts: { kind: 'volts', label: 'volts' },
  wire: { kind: 'wireFeed', label: 'wire feed speed' },
  pair: { kind: 'wireFeed', label: 'wire feed speed' },
};

/** Measured width, leg and penetration over what was varied. */
export function Curves({ plan, curves }: { plan: Schemas['TrialPlan']; curves: Curve[] }) {
  const say = useSay();
  const { per, unit, show } = useUnits();
  const over = varied[plan.variable];
  const points = curves.flatMap((curve) => curve.points);
  const values = [...new Set(points.map((point) => point.value))].sort((a, b) => a - b);
  const name = (value: number) =>
    over ? show(over.kind, value) : say(plan.steps.find((step) => step.value === value)?.title);
  const [first, last] = [Math.min(...values), Math.max(...values)];
  const beside = (last - first || 1) * 0.06;
  const x: Axis = {
    from: first - beside,
    to: last + beside,
    label: over ? `${over.label}, ${unit(over.kind)}` : '',
    ...(over
      ? { per: per(over.kind) }
      : { places: values.map((value) => ({ at: value, name: name(value) })) }),
  };
  const most = Math.max(1, ...points.map((point) => point.mm)) * 1.15;
  const tells = curves.map(
    (curve) =>
      `${say(curve.name)}: ${curve.points.map((one) => `${show('length', one.mm)} at ${name(one.value)}`).join(', ')}`,
  );
  return (
    <Plane
      tells={tells.join('; ')}
      x={x}
      y={{ from: 0, to: most, label: unit('length'), per: per('length') }}
      caption={curves.map((curve, i) => (
        <span key={say(curve.name)} className={css.key}>
          <svg viewBox="0 0 26 8" className={css.curve} data-nth={i} aria-hidden="true">
            <line x2={26} y1={4} y2={4} strokeDasharray={dashes[i % dashes.length]} />
          </svg>
          {say(curve.name)}
        </span>
      ))}
    >
      {(places) =>
        curves.map((curve, i) => (
          <g key={say(curve.name)} className={css.curve} data-nth={i}>
            {over && (
              <path
                strokeDasharray={dashes[i % dashes.length]}
                d={
                  line<Point>()
                    .x((point) => places.x(point.value))
                    .y((point) => places.y(point.mm))(curve.points) ?? ''
                }
              />
            )}
            {curve.points.map((point, j) => (
              <circle key={`${point.value}${j}`} cx={places.x(point.value)} cy={places.y(point.mm)} r={5} />
            ))}
          </g>
        ))
      }
    </Plane>
  );
}
