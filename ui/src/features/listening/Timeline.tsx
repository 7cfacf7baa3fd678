import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { LoadTrouble } from '../../shared/Loaded';
import { evidence } from '../../shared/words';
import { useSay } from '../../shared/words/useSay';
import css from './listening.module.css';
import { Outline, width } from './Outline';
import { Pitches } from './Pitches';
import { listeningQueries } from './queries';

// From above down: the outline, of a sound its pitches under it, loud pops, what was heard.
const outlineHeight = { sound: 72, log: 100 };
const pitchHeight = 96;
const stretchHeight = 26;

/** A recording over time: its outline, what the ear named it from when to when, loud pops; a tap plays from there. */
export function Timeline({ recording }: { recording: Schemas['Recording'] }) {
  const { finding } = recording;
  const { heard } = finding;
  const audio = useRef<HTMLAudioElement>(null);
  const [at, setAt] = useState(0);
  const sound = finding.kind === 'sound';
  const pitches = useQuery({ ...listeningQueries.spectrogram(recording.id), enabled: sound });
  const say = useSay();
  const x = (seconds: number) => (seconds / finding.seconds) * width;
  const seek = (seconds: number) => {
    setAt(seconds);
    if (!audio.current) return;
    audio.current.currentTime = seconds;
    void audio.current.play().catch(() => undefined);
  };
  const runs = joined(heard.stretches);
  const drawn = sound ? outlineHeight.sound + 4 + pitchHeight : outlineHeight.log;
  const foot = drawn + 12;
  const end = foot + stretchHeight + 6;
  return (
    <figure className={css.timeline}>
      <svg
        viewBox={`0 0 ${width} ${end + 26}`}
        role="img"
        aria-label={`${say(finding.words)} ${finding.seconds.toFixed(1)} seconds.`}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          seek(((event.clientX - box.left) / box.width) * finding.seconds);
        }}
      >
        {sound ? (
          <>
            <Outline outline={finding.outline} from={0} height={outlineHeight.sound} low={-1} />
            <Pitches picture={pitches.data} from={outlineHeight.sound + 4} height={pitchHeight} />
          </>
        ) : (
          <>
            <Outline outline={finding.outline} from={0} height={48} low={0} />
            {finding.ampsOutline && (
              <Outline outline={finding.ampsOutline} from={52} height={48} low={0} amps />
            )}
          </>
        )}
        {heard.pops.map((pop) => (
          <line key={pop} className={css.pop} x1={x(pop)} x2={x(pop)} y1={drawn} y2={drawn + 7} />
        ))}
        {runs.map((run) => (
          <g key={run.from}>
            <rect
              className={css.heard}
              data-sound={run.sound}
              x={x(run.from)}
              width={x(run.to) - x(run.from)}
              y={foot}
              height={stretchHeight}
            />
            {x(run.to) - x(run.from) > 70 && (
              <text x={(x(run.from) + x(run.to)) / 2} y={end + 14} textAnchor="middle">
                {nameOf(run.sound)}
              </text>
            )}
          </g>
        ))}
        {[finding.sweep?.smoothsAt, finding.sweep?.breaksUpAt].map(
          (at, i) =>
            at != null && <line key={i} className={css.sweepMark} x1={x(at)} x2={x(at)} y1={0} y2={end} />,
        )}
        <line className={css.needle} x1={x(at)} x2={x(at)} y1={0} y2={end} />
      </svg>
      <LoadTrouble of={pitches} what="its pitches" />
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
        <span className={css.hint}>
          {sound
            ? 'Loudness above, pitch below: cracks stand upright. Tap to play from there.'
            : 'Volts above, amps below.'}
          {finding.sweep && ` Smooth from ${finding.sweep.smoothsAt.toFixed(1)} s`}
          {finding.sweep?.breaksUpAt != null && ` to ${finding.sweep.breaksUpAt.toFixed(1)} s`}
          {finding.sweep && '.'}
        </span>
      </figcaption>
    </figure>
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
