import { useEffect, useState } from 'react';
import { serverNow } from '../../shared/serverClock';

/** The moment by the server's clock, brought up every so many milliseconds. */
export function useClock(every: number): number {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const tick = setInterval(() => setNow(serverNow()), every);
    return () => clearInterval(tick);
  }, [every]);
  return now;
}
