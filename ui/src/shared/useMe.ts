import { type QueryClient, queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from './api/client';

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

/** The role of whoever was signed in here when last asked; no more than a hint. */
export const wasSignedIn = () => window.localStorage.getItem(signedInKey);

function rememberSignedIn(me: Schemas['Person'] | null) {
  if (me) window.localStorage.setItem(signedInKey, me.role);
  else window.localStorage.removeItem(signedInKey);
}

/** Who is signed in; null when nobody is. */
export const me = () =>
  queryOptions({
    queryKey: ['me'],
    queryFn: async ({ signal }) => {
      const person =
        (await answer<Schemas['Person'] | undefined>(api.GET('/api/people/me', { signal }))) ?? null;
      rememberSignedIn(person);
      return person;
    },
    staleTime: Number.POSITIVE_INFINITY,
    // Its own trouble is told in somebody's units too: who reads it does not ask again.
    retryOnMount: false,
  });

/** Takes somebody for whoever is here, now and when this screen opens next; null for nobody. */
export function setMe(queries: QueryClient, person: Schemas['Person'] | null) {
  rememberSignedIn(person);
  queries.setQueryData(me().queryKey, person);
}

/** Whoever is signed in; null when nobody is. */
export const useMe = () => useQuery(me());

export const useSignOut = () => {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => answer(api.POST('/api/people/sign-out')),
    onSuccess: () => {
      window.sessionStorage.clear();
      setMe(queries, null);
      // Nothing of theirs stays behind for whoever signs in next; what waits to be sent does, and is sent for nobody but them.
      queries.removeQueries({ predicate: (query) => query.queryKey[0] !== 'me' });
      void import('./outbox/snapshot').then(({ forgetSnapshot }) => forgetSnapshot()).catch(reportError);
    },
  });
};

export const useSetUnits = () => {
  const queries = useQueryClient();
  const change = (units: Schemas['Units']) =>
    queries.setQueryData<Schemas['Person'] | null>(['me'], (person) => person && { ...person, units });
  return useMutation({
    mutationFn: (units: Schemas['Units']) => answer(api.PUT('/api/people/me/units', { body: { units } })),
    onMutate: (units) => {
      const before = queries.getQueryData<Schemas['Person'] | null>(['me'])?.units;
      change(units);
      return before;
    },
    onError: (_error, _units, before) => before && change(before),
  });
};
