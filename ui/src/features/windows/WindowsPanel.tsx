import type { Schemas } from '../../shared/api/client';
import { Loaded } from '../../shared/Loaded';
import { bandPath } from '../../shared/plane/band';
import { Plane } from '../../shared/plane/Plane';
import planeCss from '../../shared/plane/plane.module.css';
import { ShowMore } from '../../shared/ShowMore';
import { useUnits } from '../../shared/units';
import { usePages } from '../../shared/usePages';
import { countedAll, gases, processes, wireName } from '../../shared/words';
import { windowQueries } from './queries';
import css from './windows.module.css';

/** What this room has found on a machine: its own smooth band for each wire and gas, beside the textbook's. */
export function WindowsPanel({ machineId }: { machineId: string }) {
  const windows = usePages(windowQueries.of(machineId));
  return (
    <section className="panel stack" aria-label="What this room has found">
      <h2>What this room has found</h2>
      <Loaded of={windows} what="what was found">
        {(items) => (
          <>
            {items.length === 0 && (
              <p className="quiet">Nothing yet: sweep the wire, or lay beads and note how they sound.</p>
            )}
            {items.map((view) => (
              <Window key={`${view.process}${view.wire}${view.gas}`} view={view} />
            ))}
            <ShowMore more={windows.more} coming={windows.coming} what="wires and gases" />
          </>
        )}
      </Loaded>
    </section>
  );
}

function Window({ view }: { view: Schemas['WindowView'] }) {
  const { show, per, unit } = useUnits();
  const over = view.best.aimVolts - view.textbookAtVolts;
  const wires = view.band.map((point) => point.wireFeedMPerMin);
  const volts = [...view.band, ...view.textbook].flatMap((point) => [point.lowVolts, point.highVolts]);
  const heard = view.points.map((point) => point.volts);
  const [left, right] = [Math.min(...wires), Math.max(...wires)];
  const [low, high] = [Math.min(...volts, ...heard) - 0.5, Math.max(...volts, ...heard) + 0.5];
  const tells = [
    `Textbook ${view.textbookAtVolts.toFixed(1)} V at ${show('wireFeed', view.atMPerMin)}, this room ${view.best.aimVolts.toFixed(1)} V`,
    ...view.points.map(
      (point) =>
        `${saysWords[point.says]} at ${show('wireFeed', point.wireFeedMPerMin)} and ${show('volts', point.volts)}`,
    ),
  ];
  return (
    <article className={css.window}>
      <h3>
        {processes[view.process]}, {wireName(view.wire)}, {gases[view.gas]}
      </h3>
      <p>
        At {show('wireFeed', view.atMPerMin)}: best <b>{view.best.aimVolts.toFixed(1)} V</b>, smooth from{' '}
        {view.best.lowVolts.toFixed(1)} to {view.best.highVolts.toFixed(1)}, give or take{' '}
        {view.sureVolts.toFixed(1)} V. The textbook says {view.textbookAtVolts.toFixed(1)} V:{' '}
        {Math.abs(over) < 0.1
          ? 'the same.'
          : `this machine wants ${Math.abs(over).toFixed(1)} V ${over > 0 ? 'more' : 'less'}.`}
      </p>
      <p className="quiet">
        {Math.round(view.weightPercent)} % the room’s own, from{' '}
        {countedAll([view.sweeps, 'sweep mark'], [view.beads, 'bead'])}; the newest count most.
      </p>
      <Plane
        tells={tells.join('; ')}
        x={{ from: left, to: right, label: `wire feed speed, ${unit('wireFeed')}`, per: per('wireFeed') }}
        y={{ from: low, to: high, label: 'volts' }}
        caption="Filled: the room; dashed: textbook; | sweep, ● smooth, ▼ popped, ▲ hissed"
        inside={(places) => (
          <>
            <path className={planeCss.textbook} d={bandPath(view.textbook, places)} />
            <path className={planeCss.band} d={bandPath(view.band, places)} />
          </>
        )}
      >
        {({ x, y }) =>
          view.points.map((point, i) => (
            <g
              key={`${i}`}
              className={css.found}
              data-says={point.says}
              transform={`translate(${x(point.wireFeedMPerMin)} ${y(point.volts)})`}
            >
              {shapes[point.says]}
            </g>
          ))
        }
      </Plane>
    </article>
  );
}

const shapes: Record<Schemas['BandEvidence'], React.ReactNode> = {
  topEdge: <path d="M0-7V7" />,
  bottomEdge: <path d="M0-7V7" />,
  inside: <circle r={3.4} />,
  under: <path d="M-5-4h10L0 5z" />,
  over: <path d="M-5 4h10L0-5z" />,
};

const saysWords: Record<Schemas['BandEvidence'], string> = {
  topEdge: 'swept, upper edge',
  bottomEdge: 'swept, lower edge',
  inside: 'smooth',
  under: 'popped',
  over: 'hissed',
};
