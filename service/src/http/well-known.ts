import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { Router } from 'express';
import type { Deps } from '../deps.ts';

const mark = fileURLToPath(new URL('../../../console/src/mark.svg', import.meta.url));

/* A contact that is a year old may be nobody's any more (RFC 9116, section 2.5.5). */
const monthsOfContact = 6;

/** The addresses that every site has, whatever is on it. */
export function wellKnown({
  origins,
  now,
  securityContact,
}: Pick<Deps, 'origins' | 'now' | 'securityContact'>): Router {
  const router = Router();
  router.get(
    '/robots.txt',
    (_request, response) => void response.type('text/plain').send('User-agent: *\nDisallow: /\n'),
  );
  router.get(
    '/favicon.ico',
    (_request, response) =>
      void response
        .set('Cache-Control', 'public, max-age=86400')
        .type('image/svg+xml')
        .send(readFileSync(mark)),
  );
  router.get('/.well-known/security.txt', (_request, response) => {
    const { hostname } = new URL(origins().console);
    const expires = new Date(Date.UTC(now().getUTCFullYear(), now().getUTCMonth() + monthsOfContact, 1));
    // Without a contact of the owner's own, the mailbox that RFC 2142 (section 4) has for it.
    const contact = securityContact ?? `mailto:security@${hostname}`;
    response
      .type('text/plain')
      .send(
        `Contact: ${contact}\nExpires: ${expires.toISOString()}\nPreferred-Languages: en\nCanonical: ${origins().console}/.well-known/security.txt\n`,
      );
  });
  return router;
}
