import css from './sweep.module.css';
import type { SweepRun } from './useSweepRun';

/** One key as large as a hand: begins the turn, and marks where the arc smooths and breaks up. */
export function MarkKey({ run, begin }: { run: SweepRun; begin: () => void }) {
  const press = run.running ? run.mark : begin;
  return (
    <button
      type="button"
      className={css.markKey}
      data-next={run.running ? run.next : 'idle'}
      onPointerDown={(event) => {
        event.preventDefault();
        press();
      }}
      onClick={(event) => {
        // A click with no pointer behind it: Enter on the key, or a switch or screen reader.
        if (event.detail === 0) press();
      }}
    >
      <span className={css.clock} role="timer">
        {run.seconds.toFixed(1)} s
      </span>
      {!run.running ? 'Begin to turn' : run.next === 'smooths' ? 'MARK: smooth now' : 'MARK: breaking up now'}
      <span className="quiet">space bar or foot pedal</span>
    </button>
  );
}
