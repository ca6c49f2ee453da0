import type { RequestHandler } from 'express';
import { OrbisError } from '@orbis/contract';
import type { Origins } from '../origins.ts';

/* Names that always mean this machine itself: no foreign name can be made to lead to
   them in a browser's eyes. */
const thisMachine = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/;

/**
 * Answers only to the names that Orbis has: somebody else's name that leads to our address (DNS
 * rebinding) reaches nothing. On `localhost` pages lead to the console's own host, which no other
 * program's cookies share.
 */
export const knownHosts =
  (origins: () => Pick<Origins, 'console'>, trustProxy: number): RequestHandler =>
  (request, response, next) => {
    // As a trusted proxy says it, where there is one (X-Forwarded-Host).
    const host = (request.host as string | undefined) ?? '';
    const home = origins().console;
    if (host === new URL(home).host) return next();
    if (!thisMachine.test(host)) throw new OrbisError('unknown-host', { host: host.slice(0, 100), home });
    // A proxy that does not pass the name on asks by our own: leading its visitors elsewhere
    // would lead them in a circle.
    if (trustProxy > 0 || /^\/api(?:\/|$)/.test(request.path) || request.method !== 'GET') return next();
    response.redirect(307, home + request.originalUrl);
  };

/**
 * Refuses what pages of other sites ask for, whatever the method: also a mere question costs work, and its
 * answer may leak in time or size. A browser says where a request comes from; whoever says nothing is no
 * browser, and carries no cookie of ours.
 */
export const refuseCrossSite =
  (origins: () => Origins): RequestHandler =>
  (request, _response, next) => {
    const site = request.get('sec-fetch-site');
    const origin = request.get('origin');
    if (
      (site !== undefined && site !== 'same-origin' && site !== 'none') ||
      (origin !== undefined && origin !== origins().console)
    )
      throw new OrbisError('cross-site');
    next();
  };
