import type { Schemas } from '../../shared/api/client';
import { jointDrawings } from '../../shared/jointDrawings';
import css from './beadGlyph.module.css';

type Shape = Schemas['BeadShape'];

/** Millimetres to drawing units. */
const scale = 4.2;
const topLength = 150;
const height = 66;

/** A bead drawn from its own numbers: from above on the left, cut across on the right. */
export function BeadGlyph({ shape, joint, title }: { shape: Shape; joint: Schemas['Joint']; title: string }) {
  const width = Math.min(46, Math.max(8, shape.widthMm * scale));
  return (
    <svg className={css.glyph} viewBox={`0 0 ${topLength + 62} ${height}`} role="img" aria-label={title}>
      <FromAbove shape={shape} width={width} />
      <g transform={`translate(${topLength + 31} ${height / 2})`}>
        <Across shape={shape} width={width} joint={joint} />
      </g>
    </svg>
  );
}

/** The same wander for the same place: a glyph must not flicker when it is drawn again. */
const wander = (index: number) => Math.sin(index * 12.9898) * 0.5 + Math.sin(index * 4.1) * 0.5;

function FromAbove({ shape, width }: { shape: Shape; width: number }) {
  const middle = height / 2;
  const start = 8;
  const end = topLength - 8;
  const step = Math.max(4, shape.rippleShare * width);
  const ripples = Array.from({ length: Math.floor((end - start - width / 2) / step) }, (_, i) => i);
  const edge = (i: number) => (width / 2) * (1 + shape.rippleWander * 0.22 * wander(i));
  const upper = ripples.map((i) => `${start + width / 2 + i * step},${middle - edge(i)}`);
  const lower = ripples.map((i) => `${start + width / 2 + i * step},${middle + edge(i + 40)}`).reverse();
  const tint = shape.tintShare * width;
  const bands = [
    { reach: 1, name: 'straw' },
    { reach: 0.7, name: 'bronze' },
    { reach: 0.45, name: 'purple' },
    { reach: 0.22, name: 'blue' },
  ];
  return (
    <g>
      <rect data-part="plate" width={topLength} height={height} rx={2} />
      {tint > 0 &&
        bands.map((band) => (
          <rect
            key={band.name}
            className={shape.tintSeen ? css.tint : `${css.tint} ${css.guess}`}
            data-tint={band.name}
            x={start - tint * band.reach * 0.6}
            y={middle - width / 2 - tint * band.reach}
            width={end - start + tint * band.reach * 1.2}
            height={width + 2 * tint * band.reach}
            rx={width / 2}
          />
        ))}
      <path
        className={shape.coldToes ? `${css.metal} ${css.coldToe}` : css.metal}
        d={[
          `M${start},${middle} Q${start},${middle - width / 2} ${upper[0]}`,
          `L${upper.join(' ')} Q${end},${middle - width / 2} ${end},${middle}`,
          `Q${end},${middle + width / 2} ${lower[0]}`,
          `L${lower.join(' ')} Q${start},${middle + width / 2} ${start},${middle}z`,
        ].join(' ')}
      />
      {ripples.slice(1).map((i) => {
        const x = start + width / 2 + i * step + shape.rippleWander * wander(i) * 2.5;
        const bow = shape.rippleShare > 0.3 ? width * 0.75 : width * 0.3;
        return (
          <path
            key={i}
            className={css.ripple}
            d={`M${x},${middle - edge(i) * 0.92} Q${x + bow},${middle} ${x},${middle + edge(i + 40) * 0.92}`}
          />
        );
      })}
      {shape.undercut && (
        <path
          className={css.undercut}
          d={`M${start + 8},${middle - width / 2 - 1.5}H${end - 8}M${start + 8},${middle + width / 2 + 1.5}H${end - 20}`}
        />
      )}
      {Array.from({ length: shape.spatterCount }, (_, i) => i).map((i) => (
        <circle
          key={i}
          className={css.ball}
          cx={14 + ((i * 37) % 124)}
          cy={middle + (i % 2 ? 1 : -1) * (width / 2 + 5 + (i % 3) * 3)}
          r={shape.spatterCount > 8 ? 2.2 : 1.2}
        />
      ))}
      {shape.faults.includes('pinholes') &&
        [40, 62, 78, 105].map((x, i) => (
          <circle key={x} className={css.void} cx={x} cy={middle + (i % 2 ? 3 : -3)} r={2} />
        ))}
      {shape.faults.includes('hole') && (
        <ellipse className={css.void} cx={96} cy={middle} rx={11} ry={width * 0.36} />
      )}
      {shape.faults.includes('crack') && (
        <path className={css.crack} d={`M30,${middle}l16-2 12,4 18-3 20,3 16-2`} />
      )}
    </g>
  );
}

function Across({ shape, width, joint }: { shape: Shape; width: number; joint: Schemas['Joint'] }) {
  const crown = shape.crownShare * width;
  const depth = shape.penetrationShare * 11;
  const seen = shape.penetrationSeen ? 'fusion' : `${css.fusion} ${css.guess}`;
  const { plates, fillet } = jointDrawings[joint];
  if (!fillet) {
    const half = width / 2;
    return (
      <g>
        {plates}
        <path className={seen} d={`M${-half},2Q0,${2 + depth * 2} ${half},2z`} />
        <path className={css.metal} d={`M${-half},2Q0,${2 - crown * 2} ${half},2z`} />
        {shape.coldToes && <path className={css.undercut} d={`M${-half},2h4M${half},2h-4`} />}
      </g>
    );
  }
  // A fillet: legs along both plates, the crown standing off the line between the toes.
  const leg = width / Math.SQRT2;
  const upper = leg * shape.legShare;
  return (
    <g transform="translate(-20 18)">
      {plates}
      <path
        className={seen}
        d={`M4,${-upper}Q${4 - depth - leg / 2},${depth + upper / 2} ${4 + leg},0L4,0z`}
      />
      <path
        className={css.metal}
        d={`M4,${-upper}Q${4 + leg / 2 + crown * 1.4},${-upper / 2 - crown * 1.4} ${4 + leg},0L4,0z`}
      />
    </g>
  );
}
