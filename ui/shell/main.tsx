// What bench -- bundle compares with: the component library as its own pages say to set it up, a form of three parts, our typeface.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css';
import '@mantine/core/styles.css';
import { Button, createTheme, MantineProvider, PasswordInput, TextInput } from '@mantine/core';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';

const theme = createTheme({ fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif" });

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the shell.');
createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme}>
      <main>
        <h1>Bare shell</h1>
        <TextInput label="Login" />
        <PasswordInput label="Password" />
        <Button>Sign in</Button>
      </main>
    </MantineProvider>
  </StrictMode>,
);
