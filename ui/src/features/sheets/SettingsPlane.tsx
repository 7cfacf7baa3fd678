import type { Schemas } from '../../shared/api/client';
import { useUnits } from '../../shared/units';
import '../windows/windows.css';
import { VerdictShape } from '../judging/VerdictMark';

type Mark = { number: number; verdict: Schemas['Verdict']; used: Schemas['Settings'] };

const box = { left: 52, top: 12, right: 468, bottom: 262 };

/** Wire speed across, volts up, the smooth band drawn in, beads as marks. The same picture wherever settings are compared. */
export function SettingsPlane({ pair, beads }: { pair: Schemas['PairSettings']; beads: Mark[] }) {
  const { per, unit } = useUnits();
  const points = [
    { wire: pair.wireFeedMPerMin, volts: pair.volts.highVolts },
    { wire: pair.wireFeedMPerMin, volts: pair.volts.lowVolts },
    ...beads.map((bead) => ({ wire: bead.used.wireFeedMPerMin, volts: bead.used.volts })),
  ];
  const wires = points.map((point) => point.wire);
  const volts = points.map((point) => point.volts);
  // Room around what is shown, so that the band reads as a band and no mark touches the frame.
  const low = { wire: Math.max(0, Math.min(...wires) * 0.7), volts: Math.min(...volts) - 2 };
  const high = { wire: Math.max(...wires) * 1.25, volts: Math.max(...volts) + 2 };
  const x = (wire: number) =>
    box.left + ((wire - low.wire) / (high.wire - low.wire)) * (box.right - box.left);
  const y = (v: number) => box.bottom - ((v - low.volts) / (high.volts - low.volts)) * (box.bottom - box.top);
  const perWire = per('wireFeed');
  const feedUnit = unit('wireFeed');
  return (
    <figure className="plane">
      <svg viewBox="0 0 480 300" role="img" aria-label="Settings plane: wire feed speed across, volts up">
        <defs>
          <clipPath id="plane-frame">
            <rect x={box.left} y={box.top} width={box.right - box.left} height={box.bottom - box.top} />
          </clipPath>
        </defs>
        <rect
          className="frame"
          x={box.left}
          y={box.top}
          width={box.right - box.left}
          height={box.bottom - box.top}
        />
        <g clipPath="url(#plane-frame)">
          <polygon className="band" points={bandOutline(pair.band, x, y)} />
          {pair.learnedBand.length > 0 && (
            <polygon className="learned-band" points={bandOutline(pair.learnedBand, x, y)} />
          )}
          <path
            className="target"
            d={`M${x(pair.wireFeedMPerMin)},${box.top}V${box.bottom}M${box.left},${y(pair.volts.aimVolts)}H${box.right}`}
          />
        </g>
        {ticks(low.wire * perWire, high.wire * perWire).map((tick) => (
          <text key={tick} x={x(tick / perWire)} y={box.bottom + 16} textAnchor="middle">
            {tick}
          </text>
        ))}
        {ticks(low.volts, high.volts).map((tick) => (
          <text key={tick} x={box.left - 8} y={y(tick) + 4} textAnchor="end">
            {tick}
          </text>
        ))}
        <text x={box.right} y={box.bottom + 33} textAnchor="end">
          wire feed speed, {feedUnit}
        </text>
        <text x={box.left + 6} y={box.top + 16}>
          volts
        </text>
        <polyline
          className="way"
          points={beads.map((bead) => `${x(bead.used.wireFeedMPerMin)},${y(bead.used.volts)}`).join(' ')}
        />
        {gathered(beads).map(({ bead, numbers }) => (
          <g key={bead.number} transform={`translate(${x(bead.used.wireFeedMPerMin)} ${y(bead.used.volts)})`}>
            <VerdictShape verdict={bead.verdict} />
            <text className="mark-number" x={12} y={-6}>
              {numbers}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="quiet">
        Shaded: smooth band; cross: the sheet{pair.learnedBand.length > 0 ? '; dotted: this room' : ''}
      </figcaption>
    </figure>
  );
}

/** Beads at the same settings share a mark: the last one's verdict, all their numbers. */
function gathered(beads: Mark[]): { bead: Mark; numbers: string }[] {
  const places = new Map<string, Mark[]>();
  for (const bead of beads) {
    const place = `${bead.used.wireFeedMPerMin.toFixed(1)} ${bead.used.volts.toFixed(1)}`;
    places.set(place, [...(places.get(place) ?? []), bead]);
  }
  return [...places.values()].flatMap((same) => {
    const bead = same.at(-1);
    return bead ? [{ bead, numbers: same.map((each) => each.number).join(', ') }] : [];
  });
}

/** Four to nine round numbers in a range. */
function ticks(low: number, high: number): number[] {
  const rough = (high - low) / 8;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? power;
  const first = Math.ceil(low / step);
  return Array.from({ length: Math.floor(high / step) - first + 1 }, (_, i) =>
    Number(((first + i) * step).toPrecision(6)),
  );
}

/** A band's outline as a polygon's points: along its top, back along its bottom. */
export const bandOutline = (
  band: Schemas['BandPoint'][],
  x: (wire: number) => number,
  y: (volts: number) => number,
) =>
  [
    ...band.map((point) => `${x(point.wireFeedMPerMin)},${y(point.highVolts)}`),
    ...[...band].reverse().map((point) => `${x(point.wireFeedMPerMin)},${y(point.lowVolts)}`),
  ].join(' ');
