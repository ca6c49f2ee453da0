import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import type { z } from 'zod';
import {
  apiBase,
  OrbisError,
  routes,
  usualMost,
  type FieldError,
  type Route,
  type RouteName,
} from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Deps } from '../deps.ts';
import { refuseOutright, refuseUnlessAllowed, type Asker, type Sent } from '../usecases/may.ts';
import { withWhoChanged } from '../usecases/who-changed.ts';
import type { Act } from '../store/act.ts';
import {
  actsAs,
  beginAct,
  createRefusals,
  endAct,
  isAct,
  isTriedOut,
  thingIn,
  type Refusals,
} from './acts.ts';
import { inputOf, readBody } from './body.ts';
import { basicChallenge, nobody, visitorOf, whoCalls, type Caller } from './caller.ts';
import { deviceCookie, sessionCookie } from './cookie.ts';
import type { FileReply, Handlers, Reply, StreamReply } from './reply.ts';
import { sendJson } from './send-json.ts';
import { idsByContent, sendEvents } from './stream.ts';

/** Makes the router of the interface: every route of the contract, with its handler. */
export function mountRoutes(handlers: Handlers, deps: Deps): Router {
  const router = Router();
  const refusals = createRefusals();
  for (const name of Object.keys(routes) as RouteName[]) {
    const route: Route = routes[name];
    router[route.method](route.path, answer({ name, route, handlers, deps, refusals }));
  }
  return router;
}

/* What a request of an operation is answered with. */
interface Answering {
  name: RouteName;
  route: Route;
  handlers: Handlers;
  deps: Deps;
  refusals: Refusals;
}

function answer(of: Answering): RequestHandler {
  const { name, route, deps, refusals } = of;
  return async (request, response) => {
    const begun = performance.now();
    // How long somebody follows events says nothing.
    if (!route.events)
      response.once('close', () =>
        deps.metrics.answered(name, response.statusCode, (performance.now() - begun) / 1000),
      );
    const act = beginAct(name, request);
    try {
      await answerCall(of, request, response, act);
    } catch (error) {
      // Whether it can be written down or not, it is refused.
      await refusals.note(deps.connection.db, act, error, deps.now()).catch(() => undefined);
      throw error;
    }
  };
}

/* Who asks is known before anything that they sent is read. */
async function answerCall(
  { name, route, handlers, deps }: Answering,
  request: Request,
  response: Response,
  act: Act,
): Promise<void> {
  const { connection } = deps;
  const { db } = connection;
  const gone = new AbortController();
  response.once('close', () => gone.abort());
  // A question ends with whoever asked it; what changes something is brought to its end.
  const waiting = route.method === 'get' ? gone.signal : null;
  const caller = route.needs === 'probe' ? nobody : await callerOf(request, route, deps, waiting);
  actsAs(act, caller);
  if (route.basic && caller.person === null) response.set('WWW-Authenticate', basicChallenge);
  const asker = refuseStrangers(caller, route);
  if (asker) await connection.during(waiting, () => refuseOutright(db, asker, route));
  refuseOtherTypes(request, route);
  const { person, rights, readOnly, mustSetUp } = caller;
  const body = route.body ? await readBody(request, response, route.most ?? usualMost) : undefined;
  const input = route.takes ? inputOf(request, route.takes) : nothing();
  const reply = await connection.during(waiting, async () => {
    const sent = {
      params: parsed(route.params, request.params, 'path'),
      query: parsed(route.query, request.query, 'query'),
      body: parsed(route.body, body, 'body'),
    };
    act.thing = thingIn(sent);
    const now = deps.now();
    const call = {
      ...sent,
      query: asker ? await allowed(asker, route, sent, db) : sent.query,
      ...{ input, person, rights, readOnly, mustSetUp, act },
      actor: { by: person?.id ?? 0, now, act },
      visitor: visitorOf(request, deps),
      matchState: matchState(request, route),
      lastEventId: request.get('last-event-id')?.slice(0, 100),
      request: request.id as string,
      signal: gone.signal,
    };
    const handle = handlers[name] as (call: unknown) => ReturnType<Handlers[RouteName]>;
    const done = await handle(call).catch(async (error: unknown) => {
      throw await withWhoChanged(error, call.params, db);
    });
    if (isAct(name, route) && !isTriedOut(sent.body)) await endAct(db, act, now);
    return done;
  });
  const mayFollow = (): Promise<boolean> => stillMay(request, route, deps);
  if ('events' in reply) {
    const events = idsByContent<unknown>(reply.events);
    return sendEvents(request, response, { events, end: gone, mayFollow });
  }
  if ('numbered' in reply)
    return sendEvents(request, response, { events: reply.numbered, end: gone, mayFollow });
  if ('file' in reply) return sendFile(response, route, reply);
  if ('stream' in reply) return sendStream(request, response, route, reply);
  setHeaders(request, response, route, reply);
  await sendReply(response, reply, deps);
}

/* A name and a password are asked for by operations alone that only read: browsers send them again by
   themselves, whoever makes them ask. */
async function callerOf(
  request: Request,
  { basic, method }: Route,
  deps: Deps,
  waiting: AbortSignal | null,
): Promise<Caller> {
  const { connection, sheetRegistry } = deps;
  const [caller] = await connection.during(waiting, () =>
    Promise.all([
      whoCalls(request, deps, { basic: basic === true && method === 'get' }),
      sheetRegistry.refresh(connection.db),
    ]),
  );
  return caller;
}

/* @throws OrbisError `not-acceptable` */
function refuseOtherTypes(request: Request, { events, file, stream }: Route): void {
  if (request.accepts(events ? 'text/event-stream' : (file ?? stream ?? 'application/json'))) return;
  throw new OrbisError('not-acceptable', { takes: request.get('accept')?.slice(0, 200) });
}

/* The status, where what was made is, and where a list goes on. */
function setHeaders(request: Request, response: Response, route: Route, reply: Reply<unknown>): void {
  const status = reply.status ?? route.statuses[0] ?? 200;
  response.set('Cache-Control', 'no-store').status(status);
  if (route.location && (status === 201 || status === 202))
    response.set('Location', locationOf(route.location(reply.data)));
  const next = nextPage(request, route, reply.data);
  if (next !== null) response.set('Link', `<${next}>; rel="next"`);
}

/* What is asked for by an address that names its state need not be asked for again. */
function sendFile(response: Response, { file: type }: Route, { file, etag }: FileReply): void {
  response.set({ 'Cache-Control': 'private, max-age=86400', 'ETag': etag }).type(type!).send(file);
}

/* What is made as it is sent is a file for whoever asks with a browser; what was seen is not sent again. */
async function sendStream(
  request: Request,
  response: Response,
  { stream: type }: Route,
  { stream, name, etag }: StreamReply,
): Promise<void> {
  response.set('Cache-Control', etag === undefined ? 'no-store' : 'private, no-cache').type(type!);
  if (name !== undefined) response.set('Content-Disposition', `attachment; filename="${name}"`);
  if (etag !== undefined) response.set('ETag', etag);
  if (etag !== undefined && request.fresh) return void response.status(304).end();
  try {
    await pipeline(Readable.from(stream), response);
  } catch (error) {
    // Whoever went away before the end wants no answer any more.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  }
}

async function* nothing(): AsyncGenerator<Uint8Array> {}

/*
 * Who asks, where that has to be somebody.
 * @throws OrbisError `not-signed-in`, `second-factor-missing`, `token-read-only`
 */
function refuseStrangers({ person, rights, readOnly, mustSetUp }: Caller, route: Route): Asker | null {
  if (readOnly && route.method !== 'get' && !route.readOnly) throw new OrbisError('token-read-only');
  if (route.needs === 'open' || route.needs === 'probe') return null;
  if (!person) throw new OrbisError('not-signed-in');
  // Until they have one, what is about themselves is all that there is for them.
  if (mustSetUp && route.needs !== 'self') throw new OrbisError('second-factor-missing');
  return { person, rights };
}

/* What was asked, where whoever asks may ask it; with the site that alone can be meant. */
async function allowed(asker: Asker, route: Route, sent: Sent, db: Handle): Promise<unknown> {
  const site = await refuseUnlessAllowed(db, asker, route, sent);
  return site === null ? sent.query : { ...(sent.query as object), site };
}

/* Whether whoever follows events may still do so. */
async function stillMay(request: Request, route: Route, deps: Deps): Promise<boolean> {
  const { person, rights, mustSetUp } = await whoCalls(request, deps);
  if (person === null || mustSetUp) return false;
  const sent = { params: request.params, query: request.query, body: {} };
  return refuseUnlessAllowed(deps.connection.db, { person, rights }, route, sent).then(
    () => true,
    (error: unknown) => {
      if (error instanceof OrbisError) return false;
      throw error;
    },
  );
}

/* An operation’s address stands below the interface’s; a document elsewhere has a whole one. */
const locationOf = (location: string): string =>
  location.startsWith('/') ? `${apiBase}${location}` : location;

/* The address of a list’s next page (RFC 8288). */
function nextPage(request: Request, route: Route, data: unknown): string | null {
  if (!route.query || !('after' in route.query.shape)) return null;
  const { next } = data as { next?: string | null };
  if (typeof next !== 'string') return null;
  const [path, query = ''] = request.originalUrl.split('?', 2);
  const search = new URLSearchParams(query);
  search.set('after', next);
  return `${path}?${search.toString()}`;
}

async function sendReply(
  response: Response,
  { session, device, etag, data }: Reply<unknown>,
  { origins, now }: Deps,
): Promise<void> {
  if (session !== undefined) response.append('Set-Cookie', sessionCookie(session, origins()));
  if (device !== undefined) response.append('Set-Cookie', deviceCookie(device, origins(), now()));
  if (etag) response.set('ETag', etag);
  if (data === undefined) response.end();
  else await sendJson(response, data);
}

function parsed(schema: z.ZodType | undefined, value: unknown, place: 'path' | 'query' | 'body'): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value ?? {});
  if (result.success) return result.data;
  const errors = result.error.issues.map((issue): FieldError => {
    const steps = issue.path.map(String);
    return place === 'body'
      ? { pointer: steps.map((step) => `/${escapeStep(step)}`).join(''), detail: issue.message }
      : { parameter: steps.join('.'), detail: issue.message };
  });
  throw new OrbisError('bad-request', { problem: sentenceOf(result.error.issues[0]!, errors[0]!) }, errors);
}

/* RFC 6901, section 3. */
const escapeStep = (step: string): string => step.replaceAll('~', '~0').replaceAll('/', '~1');

/* What is said of a value stands behind its name; what a schema says in words of its own, behind a colon. */
function sentenceOf({ code }: z.core.$ZodIssue, { pointer, parameter, detail }: FieldError): string {
  const name = parameter ?? pointer!.replace(/^\//, '');
  const subject = name === '' ? 'What was sent' : `“${name}”`;
  return `${subject}${code === 'custom' ? ':' : ''} ${detail}.`.replace(/\.\.$/, '.');
}

/* `If-None-Match: *` makes what is not there yet; `If-Match` changes what is (RFC 9110, section 13.1). */
const matchState =
  (request: Request, route: Route) =>
  (etag: string, what: string, isThere = true): void => {
    if (!route.ifMatch) return;
    const [named, none] = [request.get('if-match'), request.get('if-none-match')];
    if (named === undefined && none?.trim() === '*') {
      if (isThere) throw new OrbisError('if-match-stale', { what });
      return;
    }
    if (named === undefined) throw new OrbisError('if-match-missing');
    const states = named.split(',').map((state) => state.trim());
    if (!isThere || (!states.includes('*') && !states.includes(etag)))
      throw new OrbisError('if-match-stale', { what });
  };
