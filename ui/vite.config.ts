import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// In development the server runs beside, started by ./start.
const server = 'http://127.0.0.1:5170';

export default defineConfig({
  plugins: [react()],
  // One bundle: it is fetched once, from the same machine or the same shop.
  build: { chunkSizeWarningLimit: 1500 },
  server: { proxy: { '/api': server, '/live': { target: server, ws: true } } },
});
