import { useRef } from 'react';
import { newId } from './newId';

/**
 * Ids for things to be sent: the same thing has the same id until it is taken, so that a second try after a lost
 * answer adds nothing twice.
 */
export function useIds() {
  const given = useRef(new Map<string, string>());
  return {
    idOf: (thing: unknown) => {
      const key = JSON.stringify(thing);
      const id = given.current.get(key) ?? newId();
      given.current.set(key, id);
      return id;
    },
    taken: () => given.current.clear(),
  };
}
