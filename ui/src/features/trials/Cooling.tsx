import { useInterval } from '@mantine/hooks';
import { useState } from 'react';
import { serverNow } from '../../shared/serverClock';
import css from './cooling.module.css';

/** How long the piece still wants before it can be compared. */
export function Cooling({ until }: { until: string }) {
  const [now, setNow] = useState(serverNow);
  useInterval(() => setNow(serverNow()), 1000, { autoInvoke: true });
  const left = Math.round((Date.parse(until) - now) / 1000);
  if (left <= 0) return <p>The last piece is cold again, by estimate.</p>;
  return (
    <p className={css.cooling} role="timer">
      The last piece is warm for{' '}
      <b>
        {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
      </b>{' '}
      yet, by estimate. Quench and dry it, or take a fresh one.
    </p>
  );
}
