import { useState } from 'react';

/** Whether this device takes its drills without sound. */
export function isBySight(): boolean {
  try {
    return localStorage.getItem('drills-by-sight') === 'yes';
  } catch {
    return false;
  }
}

/** The same, to be switched. */
export function useBySight(): [boolean, (on: boolean) => void] {
  const [on, setOn] = useState(isBySight);
  return [
    on,
    (now) => {
      setOn(now);
      try {
        localStorage.setItem('drills-by-sight', now ? 'yes' : 'no');
      } catch {
        // A browser that keeps nothing asks again next time.
      }
    },
  ];
}
