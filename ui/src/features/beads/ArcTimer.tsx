import { Button } from '@mantine/core';
import { useEffect, useState } from 'react';
import css from './boothBead.module.css';

const often = 100;
// A key that was struck twice is no arc.
const least = 0.5;

/** START and STOP of the arc: its seconds go to the bead. */
export function ArcTimer({
  seconds,
  onSeconds,
}: {
  seconds: number | null;
  onSeconds: (seconds: number | null) => void;
}) {
  const [since, setSince] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (since === null) return;
    const ticking = setInterval(() => setNow(performance.now()), often);
    return () => clearInterval(ticking);
  }, [since]);
  const runs = since !== null ? Math.max(0, now - since) / 1_000 : (seconds ?? 0);
  return (
    <div className={css.arc}>
      <output aria-label="Arc time">{runs.toFixed(1)} s</output>
      {since === null ? (
        <Button
          size="xl"
          onClick={() => {
            setSince(performance.now());
            setNow(performance.now());
            onSeconds(null);
          }}
        >
          Arc on: START
        </Button>
      ) : (
        <Button
          size="xl"
          onClick={() => {
            const arc = Math.round((performance.now() - since) / 100) / 10;
            onSeconds(arc < least ? null : arc);
            setSince(null);
          }}
        >
          STOP
        </Button>
      )}
    </div>
  );
}
