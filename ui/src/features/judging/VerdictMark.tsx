import type { Schemas } from '../../shared/api/client';
import { verdicts } from '../../shared/words';
import css from './verdictMark.module.css';

type Verdict = Schemas['Verdict'];

/** Each verdict's own shape in a box from -10 to 10, so that none rests on colour alone. */
const shapes: Record<Verdict, React.ReactNode> = {
  right: <circle r={7.5} />,
  cold: <path d="M-8.5-6.5h17L0 8.5z" />,
  hot: <path d="M-8.5 6.5h17L0-8.5z" />,
  unsteady: <path d="M-9 3l4.5-8 4.5 10 4.5-10L9 3" fill="none" strokeWidth={3.4} />,
  technique: <path d="M0-9L9 0 0 9-9 0z" />,
  fault: <path d="M-7-7L7 7M7-7L-7 7" fill="none" strokeWidth={4} />,
  open: <circle r={7} fill="none" strokeWidth={2.6} strokeDasharray="4 3.3" />,
};

/** A verdict's shape inside somebody else's drawing. */
export const VerdictShape = ({ verdict }: { verdict: Verdict }) => (
  <g className={css.shape} data-verdict={verdict}>
    {shapes[verdict]}
  </g>
);

/** A verdict as shape and word. */
export function VerdictMark({ verdict, large }: { verdict: Verdict; large?: boolean }) {
  const size = large ? 34 : 20;
  return (
    <span className={large ? `${css.verdictMark} ${css.large}` : css.verdictMark}>
      <svg viewBox="-10 -10 20 20" width={size} height={size} aria-hidden="true">
        <VerdictShape verdict={verdict} />
      </svg>
      {verdicts[verdict]}
    </span>
  );
}
