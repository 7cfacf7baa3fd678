import type { Schemas } from '../../shared/api/client';
import css from './arc.module.css';

const width = 600;
const lane = 96;

/**
 * Volts above, amps below, over a fifth of a second: each dip of the volts is a short circuit. Alternating current stands about the
 * middle of its lane.
 */
export function TraceChart({ trace, most }: { trace: Schemas['TraceView']; most?: number }) {
  const topAmps = Math.max(most ?? 250, ...trace.amps.map(Math.abs));
  const alternates = trace.amps.some((amps) => amps < -5);
  const zero = alternates ? (lane + 8) / 2 : lane;
  const reach = alternates ? (lane - 8) / 2 : lane - 8;
  const line = (values: number[], top: number, from: number) =>
    values
      .map((value, i) => {
        const x = (i / Math.max(1, values.length - 1)) * width;
        const share = Math.min(top, Math.max(-top, value)) / top;
        return `${x.toFixed(1)},${(from + zero - share * reach).toFixed(1)}`;
      })
      .join(' ');
  return (
    <svg
      className={css.trace}
      viewBox={`0 0 ${width} ${lane * 2 + 24}`}
      role="img"
      aria-label={`Volts and amps over ${Math.round(trace.seconds * 1000)} thousandths of a second`}
    >
      <line className={css.traceGround} x1={0} x2={width} y1={zero} y2={zero} />
      <polyline className={css.traceVolts} points={line(trace.volts, 40, 0)} />
      <line className={css.traceGround} x1={0} x2={width} y1={lane + 6 + zero} y2={lane + 6 + zero} />
      <polyline className={css.traceAmps} points={line(trace.amps, topAmps, lane + 6)} />
      <text x={4} y={12}>
        volts, to 40
      </text>
      <text x={4} y={lane + 20}>
        amps, to {Math.round(topAmps)}
      </text>
      <text x={width - 4} y={lane * 2 + 21} textAnchor="end">
        {Math.round(trace.seconds * 1000)} ms
      </text>
    </svg>
  );
}
