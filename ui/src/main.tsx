import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import './app/mantine.css';
import './shared/look.css';
import { MantineProvider } from '@mantine/core';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { theme } from './app/theme';
import { Refused } from './shared/api/client';
import { expiredKey } from './shared/useMe';

const Notices = lazy(() => import('./app/Notices'));

// A cookie that ran out is asked for again over whatever page it is noticed at.
const onError = (error: Error) => {
  if (error instanceof Refused && error.status === 401 && queries.getQueryData(['me']))
    queries.setQueryData(expiredKey, true);
};

const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: {
    queries: {
      // What the server refused it will refuse again; only silence is worth another try.
      retry: (times, error) => times < 2 && !(error instanceof Refused && error.status > 0),
      staleTime: 2_000,
    },
  },
});

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the application.');
createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme} defaultColorScheme="auto">
      <QueryClientProvider client={queries}>
        <App />
        <Suspense>
          <Notices />
        </Suspense>
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);
