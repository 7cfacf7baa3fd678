import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import { useSay } from '../../shared/words/useSay';

const box = { left: 52, top: 14, right: 468, bottom: 232 };
const dashes = ['', '7 5', '2 4'];

/** Measured width, leg and penetration over what was varied. */
export function Curves({ plan, curves }: { plan: Schemas['TrialPlan']; curves: Schemas['TrialCurve'][] }) {
  const say = useSay();
  const { per, unit } = useUnits();
  const kind =
    plan.variable === 'amps'
      ? 'amps'
      : plan.variable === 'volts'
        ? 'volts'
        : plan.variable === 'wire' || plan.variable === 'pair'
          ? 'wireFeed'
          : null;
  const name = (value: number) =>
    kind === null
      ? (plan.steps.find((step) => step.value === value)?.title ?? '')
      : (value * per(kind)).toFixed(kind === 'volts' ? 1 : 0);
  const points = curves.flatMap((curve) => curve.points);
  const values = [...new Set(points.map((point) => point.value))].sort((a, b) => a - b);
  const low = Math.min(...values);
  const span = Math.max(...values) - low || 1;
  const most = Math.max(1, ...points.map((point) => point.mm)) * 1.15;
  const x = (value: number) => box.left + 24 + ((value - low) / span) * (box.right - box.left - 48);
  const y = (mm: number) => box.bottom - (mm / most) * (box.bottom - box.top);
  const inch = unit('length') === 'in';
  return (
    <figure className="plane">
      <svg viewBox="0 0 480 290" role="img" aria-label={curves.map((curve) => say(curve.name)).join(', ')}>
        <rect
          className="frame"
          x={box.left}
          y={box.top}
          width={box.right - box.left}
          height={box.bottom - box.top}
        />
        {values.map((value) => (
          <text key={value} x={x(value)} y={box.bottom + 17} textAnchor="middle">
            {say(name(value))}
          </text>
        ))}
        {[0.25, 0.5, 0.75, 1].map((share) => (
          <text key={share} x={box.left - 7} y={y(most * share) + 4} textAnchor="end">
            {inch ? ((most * share) / 25.4).toFixed(2) : (most * share).toFixed(1)}
          </text>
        ))}
        <text x={box.left + 6} y={box.top + 16}>
          {unit('length')}
        </text>
        <text x={box.right} y={box.bottom + 34} textAnchor="end">
          {kind === null
            ? ''
            : `${{ wireFeed: 'wire feed speed', volts: 'volts', amps: 'amps' }[kind]}, ${unit(kind)}`}
        </text>
        {curves.map((curve, i) => (
          <g key={say(curve.name)} className={`curve curve-${i}`}>
            {kind !== null && (
              <polyline
                strokeDasharray={dashes[i % dashes.length]}
                points={curve.points.map((point) => `${x(point.value)},${y(point.mm)}`).join(' ')}
              />
            )}
            {curve.points.map((point, j) => (
              <circle key={`${point.value}${j}`} cx={x(point.value)} cy={y(point.mm)} r={5} />
            ))}
            <line
              x1={box.left + i * 140}
              x2={box.left + i * 140 + 26}
              y1={280}
              y2={280}
              strokeDasharray={dashes[i % dashes.length]}
            />
            <text x={box.left + i * 140 + 32} y={284}>
              {say(curve.name)}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
