import { useEffect, useState } from 'react';
import { type Kind, onSignal, signals } from './signal';
import css from './signals.module.css';

const shownFor = 8_000;

/** The light across the screen: what it is about stands in it. It never blinks faster than harms nobody. */
export function SignalBand() {
  const [shown, setShown] = useState<{ kind: Kind; at: number } | null>(null);
  useEffect(() => onSignal((kind) => setShown({ kind, at: Date.now() })), []);
  useEffect(() => {
    if (!shown) return;
    const gone = setTimeout(() => setShown(null), shownFor);
    return () => clearTimeout(gone);
  }, [shown]);
  // Its place is there before its words are: only then are they read out.
  return (
    <div role="status" aria-label="Signal">
      {shown && (
        <div key={shown.at} className={css.band} data-kind={shown.kind}>
          {signals[shown.kind].words}
        </div>
      )}
    </div>
  );
}
