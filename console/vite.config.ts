import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

export default defineConfig({
  plugins: [
    react(),
    // Packed once, as small as it gets, and served as it is; the page itself is made anew for each request.
    compression({
      algorithms: ['brotliCompress', 'gzip'],
      include: /\.(?:js|css|svg)$/,
      exclude: /\.html$/,
      threshold: 500,
    }),
  ],
  // For work on the console itself: the interface comes from a running Orbis.
  server: { proxy: { '/api': 'http://127.0.0.1:7420' } },
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});
