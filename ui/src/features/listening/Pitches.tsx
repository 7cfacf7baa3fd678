import { scaleLog } from 'd3-scale';
import css from './listening.module.css';
import { width } from './Outline';

// The scale the server draws on (Core, Spectrogram).
const lowest = 100;
const highest = 10_000;
const marked = [
  { hertz: 300, label: '300 Hz' },
  { hertz: 1000, label: '1 kHz' },
  { hertz: 3000, label: '3 kHz' },
];

/** Which pitches a sound is made of over time: cracks stand upright, a hiss lies in the upper half. */
export function Pitches(props: { picture: string | undefined; from: number; height: number }) {
  const { picture, from, height } = props;
  const y = scaleLog([lowest, highest], [from + height, from]);
  return (
    <g>
      {picture && (
        <image
          className={css.pitches}
          href={picture}
          y={from}
          width={width}
          height={height}
          preserveAspectRatio="none"
        />
      )}
      {marked.map(({ hertz, label }) => (
        <g key={hertz}>
          <line className={css.pitchLine} x2={width} y1={y(hertz)} y2={y(hertz)} />
          <text className={css.pitchName} x={4} y={y(hertz) - 3}>
            {label}
          </text>
        </g>
      ))}
    </g>
  );
}
