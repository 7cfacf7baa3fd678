import { createContext, useContext } from 'react';
import { useMe } from '../useMe';

/** Who notes something on this screen. */
export interface Noter {
  who: string;
  /** By which sign-in at a booth's tablet; null on a screen of their own. */
  standing: string | null;
}

/** Whoever stands at a booth's tablet; null on a screen of one's own. */
export const AtTablet = createContext<Noter | null>(null);

/** Who notes something here; null while nobody is known to. */
export function useNoter(): Noter | null {
  const stands = useContext(AtTablet);
  const me = useMe().data;
  return stands ?? (me ? { who: me.id, standing: null } : null);
}
