import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@mantine/core/styles.css';
import '@mantine/dropzone/styles.css';
import '@mantine/notifications/styles.css';
import '@mantine/spotlight/styles.css';
import './shared/look.css';
import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';
import { theme } from './app/theme';
import { Refused } from './shared/api/client';

// A cookie that ran out leads back to the sign-in screen from wherever it is noticed.
const onError = (error: Error) => {
  if (error instanceof Refused && error.status === 401) queries.setQueryData(['me'], null);
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
        <Notifications position="top-center" />
        <App />
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);
