import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, Refused, type Schemas } from './api/client';

/** Whether the sign-in of whoever is here has run out. */
export const expiredKey = ['expired'];
export const useExpired = () =>
  useQuery({
    queryKey: expiredKey,
    queryFn: () => false,
    initialData: false,
    staleTime: Number.POSITIVE_INFINITY,
  }).data;

const signedInKey = 'signed-in';

/** Whether somebody was signed in here when last asked; no more than a hint. */
export const wasSignedIn = () => window.localStorage.getItem(signedInKey) === 'yes';

const rememberSignedIn = (yes: boolean) =>
  yes ? window.localStorage.setItem(signedInKey, 'yes') : window.localStorage.removeItem(signedInKey);

/** Whoever is signed in; null when nobody is. */
export const useMe = () =>
  useQuery({
    queryKey: ['me'],
    queryFn: async ({ signal }) => {
      const me = await answer(api.GET('/api/people/me', { signal })).catch((refused: unknown) => {
        if (refused instanceof Refused && refused.status === 401) return null;
        throw refused;
      });
      rememberSignedIn(me !== null);
      return me;
    },
    staleTime: Number.POSITIVE_INFINITY,
    // Its own trouble is told in somebody's units too: who reads it does not ask again.
    retryOnMount: false,
  });

export const useSignOut = () => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answer(api.POST('/api/people/sign-out')),
    onSuccess: () => {
      window.sessionStorage.clear();
      queries.setQueryData(['me'], null);
      // Nothing of theirs stays behind for whoever signs in next.
      queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'me' });
    },
  });
};

export const useSetUnits = () => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (units: Schemas['Units']) => answer(api.PUT('/api/people/me/units', { body: { units } })),
    onMutate: (units) =>
      queries.setQueryData<Schemas['Person'] | null>(['me'], (me) => (me ? { ...me, units } : me)),
    onError: () => queries.invalidateQueries({ queryKey: ['me'] }),
  });
};
