import { useHotkeys } from '@mantine/hooks';
import type { KeyboardEvent, RefObject } from 'react';

/** Enter in a field is no send: on a number pad it is pressed to be done with the number. Buttons and text areas keep it. */
export function enterStays(event: KeyboardEvent<HTMLFormElement>) {
  const field = event.target;
  if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey && field instanceof HTMLInputElement) {
    event.preventDefault();
  }
}

/**
 * Ctrl Enter sends the form the hands are in. Pressed elsewhere it sends the page's main form, and never one that lies behind
 * a dialog or beside another form that is being filled in.
 */
export function useSubmitKey(form: RefObject<HTMLFormElement | null>, send: () => void, main = false) {
  useHotkeys(
    [
      [
        'mod+Enter',
        (event) => {
          const at = event.target instanceof Element ? event.target.closest('form, [role="dialog"]') : null;
          const inside = at !== null && at === form.current;
          if (inside || (main && at === null && !document.querySelector('[role="dialog"]'))) send();
        },
      ],
    ],
    [],
  );
}
