import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import './app/mantine.css';
import './shared/look.css';
import { MantineProvider } from '@mantine/core';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { insideCode, signInCode } from './app/code';
import { Notices } from './app/Notices';
import { theme } from './app/theme';
import { peopleQueries } from './features/people/queries';
import { benchQueries } from './features/sessions/queries';
import { wasTablet } from './features/tablets/tablet';
import { passing, Refused } from './shared/api/client';
import { expiredKey, me, wasSignedIn } from './shared/useMe';

// Who was here last most likely is again.
const before = wasSignedIn();

// A cookie that ran out is asked for again over whatever page it is noticed at.
const onError = (error: Error) => {
  // At a booth's tablet whoever stood there may have been taken for gone.
  if (error instanceof Refused && error.status === 403 && wasTablet())
    void queries.invalidateQueries({ queryKey: ['booth'] });
  if (error instanceof Refused && error.status === 401 && queries.getQueryData(['me']))
    queries.setQueryData(expiredKey, true);
};

// What the server refused it will refuse again: only silence is worth another try, and what passes.
const again = (times: number, error: Error) => {
  const status = error instanceof Refused ? error.status : 0;
  return passing.has(status) ? times < 5 : status === 0 && times < 2;
};

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    queries: {
      retry: again,
      staleTime: 2_000,
    },
  },
});

function begin() {
  // What the first page cannot do without is asked for before it is drawn. Whoever was signed in last time most likely still is.
  const ahead: Promise<unknown>[] = [
    queries.query(me()),
    ...(before === 'instructor' && window.location.pathname === '/'
      ? [queries.query(benchQueries.tonight())]
      : []),
    ...(before === null
      ? [queries.query(signInCode), queries.query(peopleQueries.welcome())]
      : [queries.query(insideCode)]),
  ];
  // What fails here is asked for again by whoever shows it.
  void Promise.allSettled(ahead);

  const root = document.getElementById('root');
  if (!root) throw new Error('The page has no place for the application.');
  createRoot(root).render(
    <StrictMode>
      <MantineProvider theme={theme} defaultColorScheme="auto">
        <QueryClientProvider client={queries}>
          <App signedInBefore={before !== null} />
          <Notices />
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
}

// A booth's screen and a student's show what they showed last, where the server cannot be asked.
if (wasTablet() || before === 'student')
  void import('./shared/outbox/snapshot')
    .then(({ restore }) => restore(queries, wasTablet()))
    .then(begin, begin);
else begin();
