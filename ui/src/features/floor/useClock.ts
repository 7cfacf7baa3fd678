import { useEffect, useState } from 'react';

/** The moment, brought up every so many milliseconds. */
export function useClock(every: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(tick);
  }, [every]);
  return now;
}
