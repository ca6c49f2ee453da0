import { existsSync, readFileSync } from 'node:fs';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Router, type RequestHandler } from 'express';
import packedStatic from 'express-static-gzip';
import helmet from 'helmet';
import { consoleScreens } from '@orbis/contract';
import { writePolicy } from '@orbis/core';
import type { Deps } from '../deps.ts';
import { fitsPath } from './paths.ts';

const built = fileURLToPath(new URL('../../../console/dist', import.meta.url));

/**
 * The policy of everything that the console's origin serves: no foreign code, and no markup made of strings
 * (Trusted Types).
 */
export function consolePolicy({ origins }: Deps): RequestHandler {
  return (request, response, next) => {
    const nonce = randomBytes(16).toString('base64');
    response.locals['nonce'] = nonce;
    response.set(
      'Content-Security-Policy',
      writePolicy([
        ['frame-ancestors', ["'none'"]],
        ['default-src', ["'none'"]],
        ['script-src', ["'self'"]],
        // The component library adds its rules in style elements that carry the nonce.
        ['style-src', ["'self'", `'nonce-${nonce}'`]],
        ['font-src', ["'self'"]],
        ['img-src', ["'self'", 'data:']],
        ['connect-src', ["'self'"]],
        ['frame-src', [origins().framesSource]],
        ['base-uri', ["'none'"]],
        ['form-action', ["'none'"]],
        ['require-trusted-types-for', ["'script'"]],
        // Drafts are composed in a worker of ours, which this policy alone can name.
        ['trusted-types', ['orbis-worker']],
      ]),
    );
    helmet({
      contentSecurityPolicy: false,
      crossOriginEmbedderPolicy: false,
      referrerPolicy: { policy: 'no-referrer' },
      strictTransportSecurity: origins().console.startsWith('https:'),
    })(request, response, next);
  };
}

/**
 * Whether the console has a screen at a path; the others get its page as well, which
 * says that there is nothing.
 */
function isScreen(path: string): boolean {
  return consoleScreens.some((screen) => fitsPath(screen, path.endsWith('/') ? path.slice(0, -1) : path));
}

/** The console's files; every other address gets its one page, which knows what to show. */
export function serveConsole(): Router {
  const router = Router();
  const page = join(built, 'index.html');
  router.use(
    '/assets',
    // What was packed when the console was built is sent as it is, to whoever takes it so.
    packedStatic(join(built, 'assets'), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      index: false,
      serveStatic: { immutable: true, maxAge: '1y' },
    }),
    (_request, response) => void response.status(404).type('text/plain').send('Not here.\n'),
  );
  router.get('/{*rest}', (request, response) => {
    if (!existsSync(page)) {
      response
        .status(503)
        .type('text/plain')
        .send('The console is not built yet: “npm run build” builds it.\n');
      return;
    }
    const html = readFileSync(page, 'utf8').replace('{{nonce}}', String(response.locals['nonce']));
    response
      .status(isScreen(request.path) ? 200 : 404)
      .set('Cache-Control', 'no-store')
      .type('html')
      .send(html);
  });
  return router;
}
