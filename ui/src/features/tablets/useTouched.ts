import { useEffect } from 'react';
import { answer, api } from '../../shared/api/client';

// The server lets whoever stood there go after twenty minutes: a word a minute is plenty.
const often = 60_000;

/** Tells the server that somebody is at this tablet, while fingers or keys say so. */
export function useTouched() {
  useEffect(() => {
    let last = 0;
    const touched = () => {
      const now = Date.now();
      if (now - last < often) return;
      last = now;
      // What did not arrive is said again at the next touch.
      answer(api.POST('/api/booth/touched')).catch(() => (last = 0));
    };
    document.addEventListener('pointerdown', touched);
    document.addEventListener('keydown', touched);
    return () => {
      document.removeEventListener('pointerdown', touched);
      document.removeEventListener('keydown', touched);
    };
  }, []);
}
