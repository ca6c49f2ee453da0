import express, { type Express } from 'express';
import type { Connection } from '../database/connect.ts';
import { findPreview } from '../store/previews.ts';
import { relayPath, relayScript } from './relay.ts';
import type { Origins } from '../origins.ts';

/** The second origin: documents of foreign code, each on a host of its own. It knows no cookie and no person. */
export function createFramesApp({ connection, origins, now }: { connection: Connection; origins: () => Origins; now: () => Date }): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.get(relayPath, (_request, response) => {
    // A document without an origin of its own asks for it as if from elsewhere.
    response.set({ 'Cache-Control': 'no-store', 'Cross-Origin-Resource-Policy': 'cross-origin', 'X-Content-Type-Options': 'nosniff' }).type('js').send(relayScript);
  });
  app.get('/{*path}', async (request, response) => {
    const name = origins().previewName(request.hostname, request.path);
    const found = name && (await findPreview(connection.db, name, now()));
    response.set({
      'Cache-Control': 'no-store',
      'X-Content-Type-Options': 'nosniff',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
    });
    if (!found) {
      response.status(404).set('Content-Security-Policy', "default-src 'none'").type('text/plain').send('There is no preview here, or its time is over.\n');
      return;
    }
    response
      .set('Content-Security-Policy', origins().ownHosts ? found.policy : found.policy.replace(' allow-same-origin', ''))
      .type('html')
      .send(found.html);
  });
  return app;
}
