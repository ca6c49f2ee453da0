import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  // For work on the console itself: the interface comes from a running Orbis.
  server: { proxy: { '/api': 'http://127.0.0.1:7420' } },
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});
