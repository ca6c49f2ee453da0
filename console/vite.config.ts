import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';

/*
 * A built console has only what it uses of the core. Where nothing is built, all of it is loaded, and the
 * parsers of XML want what only Node has; nothing in a browser asks them.
 */
const withoutXml: Plugin = {
  name: 'without-xml',
  apply: 'serve',
  enforce: 'pre',
  resolveId: (id) => (id.startsWith('fast-xml-') ? `\0${id}` : null),
  load: (id) =>
    id.startsWith('\0fast-xml-')
      ? 'export default null; export const XMLParser = null, SyntaxValidator = null;'
      : null,
};

export default defineConfig({
  plugins: [
    react(),
    withoutXml,
    // Packed once, as small as it gets, and served as it is; the page itself is made anew for each request.
    compression({
      algorithms: ['brotliCompress', 'gzip'],
      include: /\.(?:js|css|svg)$/,
      exclude: /\.html$/,
      threshold: 500,
    }),
  ],
  // Screens are loaded when they are opened: what they need is found before.
  optimizeDeps: {
    entries: ['src/**/*.tsx'],
    exclude: ['fast-xml-builder', 'fast-xml-parser', 'fast-xml-validator'],
  },
  // For work on Orbis itself (npm run dev): the interface comes from the service that runs beside it.
  server: {
    host: '127.0.0.1',
    port: 5173,
    strictPort: true,
    allowedHosts: ['orbis.localhost'],
    proxy: { '/api': { target: 'http://127.0.0.1:7420', xfwd: true } },
  },
  build: { modulePreload: { polyfill: false }, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
});
