import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { isAway, isTooSlow } from '../database/errors.ts';
import { fitsPath } from './paths.ts';
import { apiBase, catalogue, OrbisError, routes, type Facts, type Problem } from '@orbis/contract';

/** The error as a problem document (RFC 9457). */
export function problemOf(error: OrbisError, instance: string): Problem {
  const facts = Object.fromEntries(
    Object.entries(error.facts).filter(([, value]) => value !== undefined),
  ) as NonNullable<Problem['facts']>;
  return {
    type: `urn:orbis:error:${error.code}`,
    title: catalogue[error.code].title,
    status: error.status,
    code: error.code,
    detail: error.message,
    instance,
    ...(error.errors.length > 0 ? { errors: error.errors } : {}),
    ...(Object.keys(facts).length > 0 ? { facts } : {}),
  };
}

/**
 * Answers every error with a problem document; what is not in the catalogue is logged
 * and answered as `internal`.
 */
export function answerProblems(log: Logger): ErrorRequestHandler {
  return (raw: unknown, request, response, next) => {
    if (response.headersSent) return next(raw);
    const id = request.id as string;
    const error = known(raw, id);
    if (error.code === 'internal') log.error({ err: raw, request: id }, 'request failed');
    if (error.facts['seconds'] !== undefined && [429, 503].includes(error.status))
      response.set('Retry-After', String(error.facts['seconds']));
    // What was sent and not read is not waited for.
    if (!request.complete) response.set('Connection', 'close');
    if (error.code === 'not-signed-in') response.append('WWW-Authenticate', 'Bearer');
    if (error.code === 'method-not-allowed') response.set('Allow', String(error.facts['allowed']));
    response
      .status(error.status)
      .set('Cache-Control', 'no-store')
      .type('application/problem+json')
      .send(JSON.stringify(problemOf(error, `urn:request:${id}`)));
  };
}

/** For addresses of the interface that nothing answers at. */
export const noRoute: RequestHandler = (request) => {
  const path = request.path;
  const allowed = Object.values(routes)
    .filter((route) => fitsPath(route.path, path))
    .map((route) => route.method.toUpperCase());
  if (allowed.length > 0)
    throw new OrbisError('method-not-allowed', {
      path: apiBase + path,
      method: request.method,
      allowed: allowed.join(', '),
    });
  throw new OrbisError('no-route', { path: apiBase + path });
};

function known(raw: unknown, request: string): OrbisError {
  if (raw instanceof OrbisError) return raw;
  const facts: Facts = { request };
  if (isAway(raw)) return new OrbisError('database-away', { seconds: 2 });
  if (isTooSlow(raw)) return new OrbisError('query-too-slow', { seconds: 10 });
  if (raw instanceof URIError)
    return new OrbisError('bad-request', { problem: 'The address of the request is not written rightly.' });
  return new OrbisError('internal', facts);
}
