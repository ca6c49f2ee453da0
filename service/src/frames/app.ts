import express, { type Express } from 'express';
import type { Connection } from '../database/connect.ts';
import { findPreview } from '../store/previews.ts';
import { answerAbout, holdsFor, servedDocument } from './served.ts';
import { relayPath, relayScript } from './relay.ts';
import type { Making } from '../work/making.ts';
import type { Origins } from '../origins.ts';

interface FramesDeps {
  connection: Connection;
  origins: () => Origins;
  /** What output is made with now, whoever changed it. */
  making: () => Promise<Making>;
  now: () => Date;
}

/** The second origin: documents of foreign code, each on a host of its own. It knows no cookie and no person. */
export function createFramesApp({ connection, origins, making, now }: FramesDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.get(relayPath, (_request, response) => {
    // A document without an origin of its own asks for it as if from elsewhere.
    response.set({ 'Cache-Control': 'no-store', 'Cross-Origin-Resource-Policy': 'cross-origin', 'X-Content-Type-Options': 'nosniff' }).type('js').send(relayScript);
  });
  app.get('/oembed', async ({ query }, response) => {
    const word = (name: string): string | undefined => (typeof query[name] === 'string' ? query[name] : undefined);
    const most = (name: string): number | undefined => (/^[1-9]\d{0,4}$/.test(word(name) ?? '') ? Number(word(name)) : undefined);
    const say = (status: number, text: string): void => void response.status(status).type('text/plain').send(`${text}\n`);
    response.set({ 'Cache-Control': 'no-store', 'X-Content-Type-Options': 'nosniff', 'Access-Control-Allow-Origin': '*' });
    const [link, format = 'json'] = [word('url'), word('format')];
    if (link === undefined) return say(400, 'Say in “url” which link the question is about.');
    if (format !== 'json' && format !== 'xml') return say(501, 'Answers are given in json and in xml.');
    const room = { ...(most('maxwidth') && { maxWidth: most('maxwidth')! }), ...(most('maxheight') && { maxHeight: most('maxheight')! }) };
    const answer = await answerAbout(link, format, room, { db: connection.db, making: await making(), origins: origins() });
    if (answer === null) return say(404, 'Nothing is known of this link.');
    response
      .set('Cache-Control', `public, max-age=${holdsFor}`)
      .type(format === 'json' ? 'application/json' : 'text/xml')
      .send(answer);
  });
  app.get('/{*path}', async (request, response) => {
    const placement = origins().placementName(request.hostname, request.path);
    const name = origins().previewName(request.hostname, request.path);
    const found = placement
      ? await servedDocument(placement, { db: connection.db, making: await making(), origins: origins() })
      : name && (await findPreview(connection.db, name, now()));
    response.set({
      'Cache-Control': 'no-store',
      'X-Content-Type-Options': 'nosniff',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
    });
    if (!found) {
      response.status(404).set('Content-Security-Policy', "default-src 'none'").type('text/plain').send('There is nothing here, or its time is over.\n');
      return;
    }
    if (placement) response.set('Cache-Control', `public, max-age=${holdsFor}`);
    response
      .set('Content-Security-Policy', origins().ownHosts ? found.policy : found.policy.replace(' allow-same-origin', ''))
      .type('html')
      .send(found.html);
  });
  return app;
}
