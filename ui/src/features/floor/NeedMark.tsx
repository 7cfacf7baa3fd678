import type { Schemas } from '../../shared/api/client';
import { useSay } from '../../shared/words/useSay';
import { ago } from './order';
import css from './floor.module.css';

type Kind = Schemas['NeedKind'];

/** Each need's own shape in a box from -10 to 10, so that none rests on colour alone. */
const shapes: Record<Kind, React.ReactNode> = {
  danger: <path d="M-9 8L0-9 9 8z" />,
  hand: <path d="M-6 9V-2h3v-6h3v6h3v-4h3v13z" />,
  check: <path d="M-8 0l5 7L8-7" fill="none" strokeWidth={4} />,
  sheet: <path d="M-6-8h12V8H-6z" fill="none" strokeWidth={3} />,
  sameFault: <path d="M-8-5h16M-8 0h16M-8 5h16" fill="none" strokeWidth={3} />,
  quiet: <circle r={7} fill="none" strokeWidth={3} strokeDasharray="3 3" />,
  round: <circle r={4} />,
  empty: <path d="M-6 0H6" fill="none" strokeWidth={3} />,
};

/** What a booth asks of the instructor: a shape, a word, and since when. */
export function NeedMark({ need, now }: { need: Schemas['BoothNeed']; now: number }) {
  const say = useSay();
  return (
    <span className={css.need} data-need={need.kind}>
      <svg viewBox="-10 -10 20 20" width={20} height={20} aria-hidden="true">
        {shapes[need.kind]}
      </svg>
      <b>{say(need.name)}</b>
      {need.since && <span>{ago(need.since, now)}</span>}
    </span>
  );
}
