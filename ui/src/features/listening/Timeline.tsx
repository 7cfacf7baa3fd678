import { useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { evidence } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import css from './listening.module.css';

const width = 600;

/** A recording over time: its outline, what the ear named it from when to when, loud pops; a tap plays from there. */
export function Timeline({ recording }: { recording: Schemas['Recording'] }) {
  const { finding } = recording;
  const { heard } = finding;
  const audio = useRef<HTMLAudioElement>(null);
  const [at, setAt] = useState(0);
  const sound = finding.kind === 'sound';
  const say = useSay();
  const x = (seconds: number) => (seconds / finding.seconds) * width;
  const seek = (seconds: number) => {
    setAt(seconds);
    if (!audio.current) return;
    audio.current.currentTime = seconds;
    void audio.current.play().catch(() => undefined);
  };
  const runs = joined(heard.stretches);
  return (
    <figure className={css.timeline}>
      <svg
        viewBox={`0 0 ${width} 170`}
        role="img"
        aria-label={`${say(finding.words)} ${finding.seconds.toFixed(1)} seconds.`}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          seek(((event.clientX - box.left) / box.width) * finding.seconds);
        }}
      >
        {sound ? (
          <Outline outline={finding.outline} from={0} height={100} low={-1} />
        ) : (
          <>
            <Outline outline={finding.outline} from={0} height={48} low={0} />
            {finding.ampsOutline && (
              <Outline outline={finding.ampsOutline} from={52} height={48} low={0} amps />
            )}
          </>
        )}
        {heard.pops.map((pop) => (
          <line key={pop} className={css.pop} x1={x(pop)} x2={x(pop)} y1={100} y2={107} />
        ))}
        {runs.map((run) => (
          <g key={run.from}>
            <rect
              className={css.heard}
              data-sound={run.sound}
              x={x(run.from)}
              width={x(run.to) - x(run.from)}
              y={112}
              height={26}
            />
            {x(run.to) - x(run.from) > 70 && (
              <text x={(x(run.from) + x(run.to)) / 2} y={158} textAnchor="middle">
                {nameOf(run.sound)}
              </text>
            )}
          </g>
        ))}
        {finding.sweep && (
          <>
            <line
              className={css.sweepMark}
              x1={x(finding.sweep.smoothsAt)}
              x2={x(finding.sweep.smoothsAt)}
              y1={0}
              y2={144}
            />
            {finding.sweep.breaksUpAt != null && (
              <line
                className={css.sweepMark}
                x1={x(finding.sweep.breaksUpAt)}
                x2={x(finding.sweep.breaksUpAt)}
                y1={0}
                y2={144}
              />
            )}
          </>
        )}
        <line className={css.needle} x1={x(at)} x2={x(at)} y1={0} y2={144} />
      </svg>
      {sound && (
        <audio
          ref={audio}
          controls
          preload="none"
          src={`/api/recordings/${recording.id}/file`}
          onTimeUpdate={(event) => setAt(event.currentTarget.currentTime)}
        >
          <track kind="captions" />
        </audio>
      )}
      <figcaption className="quiet">
        {[...new Set(runs.map((run) => run.sound))].map((one) => (
          <span key={one}>
            <span className={css.key} data-sound={one} /> {nameOf(one)}{' '}
          </span>
        ))}
        {heard.pops.length > 0 && (
          <>
            <span className={css.key} data-sound="pop" /> loud pops{' '}
          </>
        )}
        {sound ? 'Tap to play from there.' : 'Volts above, amps below.'}
        {finding.sweep && ` Smooth from ${finding.sweep.smoothsAt.toFixed(1)} s`}
        {finding.sweep?.breaksUpAt != null && ` to ${finding.sweep.breaksUpAt.toFixed(1)} s`}
        {finding.sweep && '.'}
      </figcaption>
    </figure>
  );
}

function Outline(props: {
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

/** A sound in the words the verdict uses. */
const nameOf = (sound: Schemas['Sound']) => evidence.sound.words[sound].split(',')[0];

/** Stretches of the same sound, side by side, as one. */
function joined(stretches: Schemas['HeardStretch'][]) {
  const runs: { sound: Schemas['Sound']; from: number; to: number }[] = [];
  for (const one of stretches) {
    if (!one.sound) continue;
    const last = runs.at(-1);
    if (last && last.sound === one.sound && one.from - last.to < 0.01) last.to = one.from + one.seconds;
    else runs.push({ sound: one.sound, from: one.from, to: one.from + one.seconds });
  }
  return runs;
}
