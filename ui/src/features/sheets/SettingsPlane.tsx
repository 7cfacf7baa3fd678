import { line } from 'd3-shape';
import { memo } from 'react';
import type { Schemas } from '../../shared/api/client';
import { bandPath } from '../../shared/plane/band';
import { type Places, Plane } from '../../shared/plane/Plane';
import css from '../../shared/plane/plane.module.css';
import { useUnits } from '../../shared/units';
import { verdicts } from '../../shared/words';
import { VerdictShape } from '../judging/VerdictMark';

type Mark = { number: number; verdict: Schemas['Verdict']; used: Schemas['Settings'] };

/** Wire speed across, volts up, the smooth band drawn in, beads as marks. The same picture wherever settings are compared. */
export const SettingsPlane = memo(function SettingsPlane({
  pair,
  beads,
}: {
  pair: Schemas['PairSettings'];
  beads: Mark[];
}) {
  const { per, unit } = useUnits();
  const tells = useTells(pair, beads);
  const wires = [pair.wireFeedMPerMin, ...beads.map((bead) => bead.used.wireFeedMPerMin)];
  const volts = [pair.volts.highVolts, pair.volts.lowVolts, ...beads.map((bead) => bead.used.volts)];
  const learned = pair.learnedBand.length > 0;
  return (
    <Plane
      tells={tells}
      // Room around what is shown, so that the band reads as a band and no mark touches the frame.
      x={{
        from: Math.max(0, Math.min(...wires) * 0.7),
        to: Math.max(...wires) * 1.25,
        label: `wire feed speed, ${unit('wireFeed')}`,
        per: per('wireFeed'),
      }}
      y={{ from: Math.min(...volts) - 2, to: Math.max(...volts) + 2, label: 'volts' }}
      caption={`Shaded: smooth band; cross: the sheet${learned ? '; dotted: this room' : ''}`}
      inside={(places) => (
        <>
          <path className={css.band} d={bandPath(pair.band, places)} />
          {learned && <path className={css.learnedBand} d={bandPath(pair.learnedBand, places)} />}
          <path className={css.target} d={cross(places, pair)} />
        </>
      )}
    >
      {({ x, y }) => (
        <>
          <path
            className={css.way}
            d={
              line<Mark>()
                .x((bead) => x(bead.used.wireFeedMPerMin))
                .y((bead) => y(bead.used.volts))(beads) ?? ''
            }
          />
          {gathered(beads).map(({ bead, numbers }) => (
            <g
              key={bead.number}
              transform={`translate(${x(bead.used.wireFeedMPerMin)} ${y(bead.used.volts)})`}
            >
              <VerdictShape verdict={bead.verdict} />
              <text className={css.markNumber} data-part="number" x={12} y={-6}>
                {numbers}
              </text>
            </g>
          ))}
        </>
      )}
    </Plane>
  );
});

/** Where the sheet's wire and volts meet. */
const cross = ({ x, y, box }: Places, pair: Schemas['PairSettings']) =>
  `M${x(pair.wireFeedMPerMin)},${box.top}V${box.bottom}M${box.left},${y(pair.volts.aimVolts)}H${box.right}`;

/** The picture in words, with its values. */
function useTells(pair: Schemas['PairSettings'], beads: Mark[]): string {
  const { show } = useUnits();
  const at = (settings: Schemas['Settings']) =>
    `${show('wireFeed', settings.wireFeedMPerMin)} and ${show('volts', settings.volts)}`;
  const sheet = at({ wireFeedMPerMin: pair.wireFeedMPerMin, volts: pair.volts.aimVolts });
  const smooth = `${show('volts', pair.volts.lowVolts)} to ${show('volts', pair.volts.highVolts)}`;
  const laid = beads.map(
    (bead) => `bead ${bead.number}, ${verdicts[bead.verdict].toLowerCase()}, at ${at(bead.used)}`,
  );
  return [`Settings plane: the sheet at ${sheet}, smooth from ${smooth}`, ...laid].join('; ');
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
