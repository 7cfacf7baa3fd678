import type { Schemas } from '../../shared/api/client';
import css from './progress.module.css';

type State = Schemas['SkillState'];

/** What each state is called. */
export const skillStates: Record<State, string> = {
  notBegun: 'Not begun',
  learning: 'Learning',
  steady: 'Steady',
  proven: 'Proven',
  rusty: 'Rusty',
};

/** Each state's own shape in a box from -10 to 10, so that none rests on colour alone: a plate that fills up, and one that is pitted. */
const shapes: Record<State, React.ReactNode> = {
  notBegun: <path d="M-8-5h16v10h-16z" fill="none" strokeWidth={1.6} strokeDasharray="3 2.6" />,
  learning: (
    <>
      <path d="M-8-5h16v10h-16z" fill="none" strokeWidth={2} />
      <path d="M-8-5h6v10h-6z" />
    </>
  ),
  steady: <path d="M-8-5h16v10h-16z" strokeWidth={2} />,
  proven: (
    <>
      <path d="M-8-8h16v10h-16z" strokeWidth={2} />
      <path d="M-9 7H9" fill="none" strokeWidth={3} />
    </>
  ),
  rusty: (
    <>
      <path d="M-8-5h16v10h-16z" fill="none" strokeWidth={2} />
      <path
        d="M-5-1.5h.1M0 1.5h.1M5-1.5h.1M-3 3h.1M3 3h.1"
        fill="none"
        strokeWidth={3}
        strokeLinecap="round"
      />
    </>
  ),
};

/** How far somebody has come, as shape and word. */
export const StateMark = ({ state, bare }: { state: State; bare?: boolean }) => (
  <span className={css.state} data-state={state}>
    <svg viewBox="-10 -10 20 20" width={20} height={20} aria-hidden="true">
      {shapes[state]}
    </svg>
    {!bare && skillStates[state]}
  </span>
);
