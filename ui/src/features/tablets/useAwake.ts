import { useEffect } from 'react';

/** Keeps the screen on while this is shown, where the browser can. */
export function useAwake() {
  useEffect(() => {
    const { wakeLock } = navigator as Partial<Pick<Navigator, 'wakeLock'>>;
    if (!wakeLock) return;
    let held: WakeLockSentinel | undefined;
    let gone = false;
    // A browser lets go of it whenever the page is out of sight.
    const hold = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        held = await wakeLock.request('screen');
        if (gone) await held.release();
      } catch {
        // Refused, for want of power say: the tablet's own setting decides.
      }
    };
    const look = () => void hold();
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', look);
      void held?.release();
    };
  }, []);
}
