import { parseCookie, stringifySetCookie } from 'cookie';
import express, { Router, type Request, type RequestHandler, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { z } from 'zod';
import { OrbisError, routes, type FieldError, type Route, type RouteName } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { personOfSession, personOfToken, type Person } from '../store/people.ts';
import type { Call, Handlers } from './reply.ts';
import { sendJson } from './send-json.ts';

export const cookieName = 'orbis_session';

/* Signing in, and whatever else takes a secret from somebody who is not signed in. */
const attempts = new Set<RouteName>(['session.create', 'session.link', 'password.set', 'tokens.exchange']);
const attemptLimit = { count: 10, minutes: 5 };

/** Makes the router of the interface: every route of the contract, with its handler. */
export function mountRoutes(handlers: Handlers, deps: Deps): Router {
  const router = Router();
  const limit = attemptLimiter();
  router.use(refuseCrossSite(deps));
  for (const name of Object.keys(routes) as RouteName[]) {
    const route: Route = routes[name];
    const before: RequestHandler[] = attempts.has(name) ? [limit] : [];
    if (route.body) before.push(requireJson, express.json({ limit: '24mb', type: ['application/json', 'application/merge-patch+json'] }));
    router[route.method](route.path, ...before, answer(name, route, handlers, deps));
  }
  return router;
}

function answer(name: RouteName, route: Route, handlers: Handlers, deps: Deps): RequestHandler {
  return async (request, response) => {
    const { person, sessionSecret } = await whoCalls(request, deps);
    if (route.access === 'owner' && !person) throw new OrbisError('not-signed-in');
    await deps.shelf.refresh(deps.connection.db);
    const gone = new AbortController();
    response.once('close', () => gone.abort());
    const call = {
      params: parsed(route.params, request.params, 'path'),
      query: parsed(route.query, request.query, 'query'),
      body: parsed(route.body, request.body, 'body'),
      person,
      act: { by: person?.id ?? 0, now: deps.now() },
      sessionSecret,
      matchState: matchState(request, route),
      request: String(request.id),
      signal: gone.signal,
    };
    const handle = handlers[name] as (call: unknown) => ReturnType<Handlers[RouteName]>;
    const reply = await handle(call as unknown as Call<RouteName>);
    if ('events' in reply) return stream(response, reply.events, gone.signal);
    if (reply.session !== undefined) response.append('Set-Cookie', sessionCookie(reply.session, deps));
    if (reply.etag) response.set('ETag', reply.etag);
    response.set('Cache-Control', 'no-store').status(reply.status ?? route.statuses[0] ?? 200);
    if (reply.data === undefined) response.end();
    else await sendJson(response, reply.data);
  };
}

function parsed(schema: z.ZodType | undefined, value: unknown, place: 'path' | 'query' | 'body'): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value ?? {});
  if (result.success) return result.data;
  const errors: FieldError[] = result.error.issues.map((issue) => ({
    pointer: place === 'body' ? '/' + issue.path.map((step) => String(step).replaceAll('~', '~0').replaceAll('/', '~1')).join('/') : issue.path.join('.'),
    detail: issue.message,
  }));
  const [first] = errors;
  throw new OrbisError('bad-request', { problem: `${first?.pointer || 'The body'}: ${first?.detail}.`.replace(/\.\.$/, '.') }, errors);
}

async function whoCalls(request: Request, { connection, now }: Deps): Promise<{ person: Person | null; sessionSecret: string | null }> {
  const bearer = /^Bearer (\S+)$/i.exec(request.get('authorization') ?? '')?.[1];
  if (bearer) {
    const person = await personOfToken(connection.db, bearer, now());
    if (!person) throw new OrbisError('token-unknown');
    return { person, sessionSecret: null };
  }
  const sessionSecret = parseCookie(request.get('cookie') ?? '')[cookieName] ?? null;
  return { person: sessionSecret ? await personOfSession(connection.db, sessionSecret, now()) : null, sessionSecret };
}

const matchState =
  (request: Request, route: Route) =>
  (etag: string, what: string): void => {
    if (!route.ifMatch) return;
    const named = request.get('if-match');
    if (named === undefined) throw new OrbisError('if-match-missing');
    const states = named.split(',').map((state) => state.trim());
    if (!states.includes('*') && !states.includes(etag)) throw new OrbisError('if-match-stale', { what });
  };

/* A browser says where a request comes from; whoever says nothing is no browser, and carries no cookie of ours. */
const refuseCrossSite =
  ({ origins }: Deps): RequestHandler =>
  (request, _response, next) => {
    const site = request.get('sec-fetch-site');
    const origin = request.get('origin');
    const foreign = (site !== undefined && site !== 'same-origin' && site !== 'none') || (origin !== undefined && origin !== origins().console);
    if (foreign && request.method !== 'GET' && request.method !== 'HEAD') throw new OrbisError('cross-site');
    next();
  };

const requireJson: RequestHandler = (request, _response, next) => {
  if (!request.is(['application/json', 'application/merge-patch+json'])) throw new OrbisError('unsupported-type', { found: request.get('content-type') ?? null });
  next();
};

const attemptLimiter = (): RequestHandler =>
  rateLimit({
    windowMs: attemptLimit.minutes * 60_000,
    limit: attemptLimit.count,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_request, response) => {
      throw new OrbisError('too-many-attempts', { seconds: Number(response.get('Retry-After') ?? attemptLimit.minutes * 60) });
    },
  });

function sessionCookie(session: { secret: string; expiresAt: Date } | null, { origins }: Deps): string {
  return stringifySetCookie({
    name: cookieName,
    value: session?.secret ?? '',
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    secure: origins().console.startsWith('https:'),
    expires: session?.expiresAt ?? new Date(0),
  });
}

async function stream(response: Response, events: AsyncIterable<unknown>, signal: AbortSignal): Promise<void> {
  response.status(200).set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store, no-transform', 'X-Accel-Buffering': 'no' });
  response.flushHeaders();
  for await (const event of events) {
    if (signal.aborted) return;
    response.write(`data: ${JSON.stringify(event)}\n\n`);
    (response as Response & { flush?: () => void }).flush?.();
  }
  response.end();
}
