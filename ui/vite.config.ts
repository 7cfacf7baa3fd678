import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

// In development the server runs beside, started by ./start.
const server = 'http://127.0.0.1:5170';

// Few files for a first page: what each kind of page begins with comes in one.
const either = /use-uncontrolled|use-id|useTitle/;
const form = /components\/(Input|InputBase|TextInput|CloseButton)\/|@mantine\/form|useEntry/;
// A key that writes needs an id and no form.
const ids = /uuid|newId|useIds/;
const frame =
  /use-(hotkeys|disclosure|window-event)|color-scheme|create-storage|noop|src\/app|useSingle|sheetAtHand|booths\.module/;
const page =
  /react-router|@tabler|src\/(shared\/(page\/[A-Z]|words|units|joint)|features\/(sessions|judging|sheets\/Job))/;

export default defineConfig({
  // Packed once, when built; the server sends what the browser takes.
  plugins: [
    react(),
    VitePWA({
      // Only screens that note something ask for it: a booth's, a student's. A newer edition waits until it is called.
      injectRegister: null,
      registerType: 'prompt',
      manifest: {
        name: 'Gentle Bead',
        short_name: 'Gentle Bead',
        start_url: '/',
        display: 'fullscreen',
        background_color: '#f4f2ee',
        theme_color: '#f4f2ee',
        icons: [{ src: '/bead.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{html,js,css,svg,woff2}'],
        navigateFallback: '/index.html',
        // What is not a page of ours is never answered from what was kept.
        navigateFallbackDenylist: [/^\/(api|live|health|calendar|openapi)(\/|$)/],
        cleanupOutdatedCaches: true,
      },
    }),
    compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 600 }),
  ],
  build: {
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'base', tags: ['$initial'], priority: 2 },
            { name: 'either', test: either, priority: 2 },
            { name: 'ids', test: ids, priority: 2 },
            { name: 'form', test: form, minShareCount: 8, priority: 1 },
            { name: 'page', test: page, minShareCount: 8 },
            { name: 'frame', test: frame, minShareCount: 2 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': server, '/live': { target: server, ws: true } } },
});
