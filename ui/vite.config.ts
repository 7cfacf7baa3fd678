import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

// In development the server runs beside, started by ./start.
const server = 'http://127.0.0.1:5170';

export default defineConfig({
  // Packed once, when built; the server sends what the browser takes.
  plugins: [react(), compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 600 })],
  server: { proxy: { '/api': server, '/live': { target: server, ws: true } } },
});
