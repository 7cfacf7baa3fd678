import { useEffect, useRef } from 'react';

/** What a pedal can do. */
interface Pedal {
  running: boolean;
  begin: () => void;
  mark: () => void;
  stop: () => void;
  /** Whether other keys are on the page: where one of them has the focus, space and Enter are its own. */
  beside?: boolean;
}

const pedalKeys = ['Space', 'PageDown', 'Enter'];

/** The space bar, and what foot pedals send: space, Enter, PageDown. It works wherever the focus is, but not while typing. */
export function usePedal(pedal: Pedal) {
  const latest = useRef(pedal);
  useEffect(() => {
    latest.current = pedal;
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const { running, begin, mark, stop, beside } = latest.current;
      const { target, code } = event;
      if (event.repeat) return;
      if (running && code === 'Escape') {
        stop();
        event.preventDefault();
        return;
      }
      const key =
        target instanceof HTMLElement && target.closest('button, a, input, textarea, select, summary');
      if (beside && key && code !== 'PageDown') return;
      // Enter does what the key under the focus says, until the turn has begun.
      if (code === 'Enter' && (!running || target instanceof HTMLButtonElement)) return;
      const typing = target instanceof HTMLElement && target.closest('input, textarea, [role="listbox"]');
      if (!pedalKeys.includes(code) || (!running && typing)) return;
      if (running) mark();
      else begin();
      event.preventDefault();
    };
    // A space that began on a button would press that button when it comes up.
    const released = (event: KeyboardEvent) => {
      if (!latest.current.beside && event.code === 'Space' && event.target instanceof HTMLButtonElement)
        event.preventDefault();
    };
    window.addEventListener('keydown', pressed);
    window.addEventListener('keyup', released);
    return () => {
      window.removeEventListener('keydown', pressed);
      window.removeEventListener('keyup', released);
    };
  }, []);
}
