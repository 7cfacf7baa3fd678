import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

export default defineConfig({
  // Run from ui, as npm does.
  root: 'shell',
  plugins: [react(), compression({ algorithms: ['brotliCompress', 'gzip'], threshold: 600 })],
  build: { outDir: '../../.local/shell', emptyOutDir: true },
});
