import { answer, api, type Schemas } from '../../shared/api/client';
import { ShowMore } from '../../shared/ShowMore';
import { Trouble } from '../../shared/Trouble';
import { useUnits } from '../../shared/units';
import { usePages } from '../../shared/usePages';
import { countedAll, gases, processes, wireName } from '../../shared/words';
import { bandOutline } from '../sheets/SettingsPlane';
import './windows.css';

/** What this room has found on a machine: its own smooth band for each wire and gas, beside the textbook's. */
export function WindowsPanel({ machineId }: { machineId: string }) {
  const windows = usePages<Schemas['WindowView'], string>(['room', 'windows', machineId], (after, signal) =>
    answer(
      api.GET('/api/windows/{machineId}', { params: { path: { machineId }, query: { after } }, signal }),
    ),
  );
  return (
    <section className="panel stack" aria-label="What this room has found">
      <h2>What this room has found</h2>
      {windows.isLoadingError && <Trouble error={windows.error} again={windows.again} />}
      {windows.items?.length === 0 && (
        <p className="quiet">Nothing yet: sweep the wire, or lay beads and note how they sound.</p>
      )}
      {windows.items?.map((view) => (
        <Window key={`${view.process}${view.wire}${view.gas}`} view={view} />
      ))}
      <ShowMore more={windows.more} coming={windows.coming} what="wires and gases" />
    </section>
  );
}

const box = { left: 46, top: 12, right: 468, bottom: 232 };

function Window({ view }: { view: Schemas['WindowView'] }) {
  const { show, per, unit } = useUnits();
  const over = view.best.aimVolts - view.textbookAtVolts;
  const wires = view.band.map((point) => point.wireFeedMPerMin);
  const volts = [...view.band, ...view.textbook].flatMap((point) => [point.lowVolts, point.highVolts]);
  const heard = view.points.map((point) => point.volts);
  const [left, right] = [Math.min(...wires), Math.max(...wires)];
  const [low, high] = [Math.min(...volts, ...heard) - 0.5, Math.max(...volts, ...heard) + 0.5];
  const x = (wire: number) => box.left + ((wire - left) / (right - left || 1)) * (box.right - box.left);
  const y = (v: number) => box.bottom - ((v - low) / (high - low)) * (box.bottom - box.top);
  const ticks = [0.1, 0.5, 0.9].map((share) => left + (right - left) * share);
  return (
    <article className="window">
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
      <figure className="plane">
        <svg
          viewBox="0 0 480 272"
          role="img"
          aria-label="The room's band over the textbook's, with what was heard"
        >
          <rect
            className="frame"
            x={box.left}
            y={box.top}
            width={box.right - box.left}
            height={box.bottom - box.top}
          />
          <polygon className="textbook" points={bandOutline(view.textbook, x, y)} />
          <polygon className="band" points={bandOutline(view.band, x, y)} />
          {view.points.map((point, i) => (
            <g
              key={`${i}`}
              className={`found ${point.says}`}
              transform={`translate(${x(point.wireFeedMPerMin)} ${y(point.volts)})`}
            >
              {shapes[point.says]}
            </g>
          ))}
          {ticks.map((tick) => (
            <text key={tick} x={x(tick)} y={box.bottom + 16} textAnchor="middle">
              {(tick * per('wireFeed')).toFixed(unit('wireFeed') === 'm/min' ? 1 : 0)}
            </text>
          ))}
          {[low + 1, (low + high) / 2, high - 1].map((tick) => (
            <text key={tick} x={box.left - 6} y={y(tick) + 4} textAnchor="end">
              {tick.toFixed(0)}
            </text>
          ))}
          <text x={box.left} y={box.bottom + 34}>
            filled: the room; dashed: textbook; | sweep, ● smooth, ▼ popped, ▲ hissed
          </text>
        </svg>
      </figure>
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
