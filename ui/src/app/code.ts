import { queryOptions } from '@tanstack/react-query';

// The two halves are asked for like anything else: told in every state, and without the pause that follows a lazy part's stand-in.
const code = <T>(name: string, load: () => Promise<T>) =>
  queryOptions({ queryKey: ['code', name], queryFn: load, staleTime: Number.POSITIVE_INFINITY });

/** The code of the way in. */
export const signInCode = code('sign-in', () => import('../pages/SignInPage'));

/** The code of a booth's tablet. */
export const boothCode = code('booth', () => import('./AtBooth'));

/** The code that makes a tablet a booth's. */
export const pairCode = code('pair', () => import('../features/tablets/PairPage'));

/** The code of everything behind it. */
export const insideCode = code('inside', () => import('./Inside'));
