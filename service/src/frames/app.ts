import type { RequestListener } from 'node:http';
import express, { type ErrorRequestHandler, type Request, type RequestHandler, type Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Logger } from 'pino';
import { writePolicy, type FramedContent } from '@orbis/core';
import { visitorLanguages, visitorWords, type VisitorLanguage, type VisitorWords } from '@orbis/contract';
import type { Connection } from '../database/connect.ts';
import { isAway } from '../database/errors.ts';
import { blockedPath, pointingPath, relayPath, type Origins } from '../origins.ts';
import { findPreview } from '../store/previews.ts';
import { hearBlocked } from './blocked.ts';
import { pointingScript } from './pointing.ts';
import { relayScript } from './relay.ts';
import { documentHeaders, everywhere, forGood, policyOf } from './document-headers.ts';
import { countHits, type HitCounter } from './count-hits.ts';
import { fromMemory } from './from-memory.ts';
import { overDocument } from './over-document.ts';
import type { DocumentsOnDisk } from './documents-on-disk.ts';
import { keepDocuments, type Encoding, type KeptDocuments } from './kept-documents.ts';
import { specimenAnswers, specimenDocuments } from './specimen-frame.ts';
import { createServed, holdsFor, type Served } from './served.ts';

export interface FramesDeps {
  connection: Pick<Connection, 'frames' | 'during'>;
  origins: () => Origins;
  now: () => Date;
  log: Logger;
  trustProxy: number;
  /** How many requests of one part of the network are answered in a minute. */
  perMinute?: number;
  /** Whether it is counted where documents are shown. */
  isCounted?: boolean;
  /** Where documents outlive the process; nowhere where nothing is said. */
  disk?: DocumentsOnDisk;
}

/** What answers at the second origin. */
export interface FramesApp {
  answer: RequestListener;
  /** Writes down what was counted. */
  stop(): Promise<void>;
}

const nothing = writePolicy([
  ['sandbox', []],
  ['frame-ancestors', ["'none'"]],
  ['default-src', ["'none'"]],
]);

/* It may stand on any page, as it says nothing that is not for all. */
const spoken = writePolicy([
  ['sandbox', []],
  ['default-src', ["'none'"]],
]);
const withLink = writePolicy([
  ['sandbox', ['allow-popups', 'allow-popups-to-escape-sandbox']],
  ['default-src', ["'none'"]],
]);

/**
 * The second origin: documents of foreign code, each on a host of its own. It knows no cookie and no person.
 */
export function createFramesApp({
  connection,
  origins,
  now,
  log,
  trustProxy,
  perMinute = 600,
  isCounted = true,
  disk,
}: FramesDeps): FramesApp {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('trust proxy', trustProxy);
  const hits = isCounted ? countHits({ connection, origins, now, log }) : notCounted;
  const served = createServed({ db: connection.frames, origins });

  app.use((request, response, next) => {
    response.set({
      'Cache-Control': 'no-store',
      'Content-Security-Policy': nothing,
      ...everywhere,
      // The name of its host is all that lets somebody at a preview, so no provider in it is told.
      'Referrer-Policy': 'no-referrer',
    });
    if (origins().isFrames(request.host)) next();
    else say(response, 421, 'This is not the address of anything here.');
  });
  app.use(
    rateLimit({
      windowMs: 60_000,
      limit: perMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      keyGenerator: ({ ip }) => ipKeyGenerator(ip ?? '', 64),
      handler: (_request, response) => speak(response, 429, 'busy'),
    }),
  );

  for (const [path, script] of ownScripts) app.get(path, sendScript(script));
  app.get(
    '/robots.txt',
    (_request, response) => void response.type('text/plain').send('User-agent: *\nDisallow: /\n'),
  );

  app.post(blockedPath, hearBlocked({ connection, now }));
  app.get('/oembed', specimenAnswers(origins), answerLinks(connection, served));
  const documents = keepDocuments({
    // Others may be waiting for it when whoever asked first has gone.
    find: (id) => connection.during(null, () => served.document(id)),
    ...(disk && { disk }),
    tell: (state) =>
      state === 'away'
        ? log.warn('the database does not answer: documents are served as they were last')
        : log.info('the database answers again: documents are up to date'),
  });
  app.get('/{*path}', specimenDocuments(origins));
  app.get('/{*path}', answerPlacements(origins, documents, hits));
  app.get('/{*path}', answerPreviews({ connection, origins, now }));
  app.use((_request, response) => say(response, 405, 'This can only be looked at.'));
  app.use(quietly(log));
  return { answer: fromMemory(app, { documents, hits, origins }), stop: () => stopAll(hits, disk) };
}

const stopAll = async (hits: Pick<HitCounter, 'stop'>, disk: DocumentsOnDisk | undefined): Promise<void> => {
  await Promise.all([hits.stop(), disk?.settled()]);
};

const ownScripts = [
  [relayPath, relayScript],
  [pointingPath, pointingScript],
] as const;

/* A document without an origin of its own asks for it as if from elsewhere. */
const sendScript =
  (script: string): RequestHandler =>
  (_request, response) =>
    void response.set('Cross-Origin-Resource-Policy', 'cross-origin').type('js').send(script);

const notCounted: Pick<HitCounter, 'note' | 'stop'> = {
  note: () => undefined,
  stop: () => Promise.resolve(),
};

/* What editors ask about a link of ours (oEmbed 1.0, section 2.2). */
const answerLinks =
  (connection: FramesDeps['connection'], served: Served): RequestHandler =>
  async ({ query }, response) => {
    const word = (name: string): string | undefined =>
      typeof query[name] === 'string' ? query[name] : undefined;
    const most = (name: string): number | undefined =>
      /^[1-9]\d{0,4}$/.test(word(name) ?? '') ? Number(word(name)) : undefined;
    response.set('Access-Control-Allow-Origin', '*');
    const [link, format = 'json'] = [word('url'), word('format')];
    if (link === undefined) return say(response, 400, 'Say in “url” which link the question is about.');
    if (format !== 'json' && format !== 'xml')
      return say(response, 501, 'Answers are given in json and in xml.');
    const room = {
      ...(most('maxwidth') && { maxWidth: most('maxwidth')! }),
      ...(most('maxheight') && { maxHeight: most('maxheight')! }),
    };
    const answer = await connection.during(goneOf(response), () => served.answer(link, format, room));
    if (answer === null) return say(response, 404, 'Nothing is known of this link.');
    if ('why' in answer && answer.why === 'over') return speak(response, 410, 'over');
    if ('why' in answer) return speak(response.set('Retry-After', '1'), 503, 'away');
    response
      .set('Cache-Control', `public, max-age=${holdsFor}`)
      .type(format === 'json' ? 'application/json' : 'text/xml')
      .send(answer.body);
  };

/* Documents of placements, each by the name of its host, and in its version of now by a path below that. */
const answerPlacements =
  (
    origins: FramesDeps['origins'],
    documents: KeptDocuments,
    hits: Pick<HitCounter, 'note'>,
  ): RequestHandler =>
  async (request, response, next) => {
    const { hostname, path } = request;
    const one = origins().placementVersion(hostname, path);
    const id = one?.id ?? origins().placementName(hostname, path);
    if (!id) return next();
    const { found, from, left } = await documents.get(id);
    if (!found) return speak(response, 404, 'nothing');
    if ('why' in found && found.why === 'over') return sayOver(response, found.content);
    if ('why' in found) return speak(response.set('Retry-After', '1'), 503, 'away');
    // Whatever keeps a version for good must never have another one under its name.
    if (one && one.version !== found.version) return speak(response, 404, 'nothing');
    hits.note({ id, sites: found.sites }, request.headers);
    const encoding = encodingFor(request);
    response.set(documentHeaders({ id, document: found, from, left }, encoding, origins()));
    if (one) response.set('Cache-Control', forGood).removeHeader('CDN-Cache-Control');
    // Answers 304 where the visitor has it (HTTP, section 13.1.2).
    response.send(await found.body(encoding));
  };

const encodingFor = (request: Request): Encoding =>
  (['br', 'gzip'] as const).find((each) => request.acceptsEncodings(each)) ?? 'identity';

/* Documents of previews, each by the name of its host. */
const answerPreviews =
  ({ connection, origins, now }: Pick<FramesDeps, 'connection' | 'origins' | 'now'>): RequestHandler =>
  async (request, response) => {
    const preview = origins().previewName(request.hostname, request.path);
    const found =
      preview &&
      (await connection.during(goneOf(response), () => findPreview(connection.frames, preview, now())));
    if (!found) return speak(response, 404, 'nothing');
    response.set('Content-Security-Policy', policyOf(found, origins()));
    if (found.reportOnly !== null) response.set('Content-Security-Policy-Report-Only', found.reportOnly);
    response.type('html').send(found.html);
  };

const say = (response: Response, status: number, text: string): void =>
  void response.status(status).type('text/plain').send(`${text}\n`);

/* What visitors read in the place of an embed: a page that framed that frames this as well. */
function speak(response: Response, status: number, words: keyof VisitorWords): void {
  say(response.set('Content-Security-Policy', spoken), status, visitorWords[spokenIn(response)][words]);
}

/* In the visitor’s own language, where it is among ours. */
function spokenIn(response: Response): VisitorLanguage {
  response.vary('Accept-Language');
  const asked = response.req.acceptsLanguages([...visitorLanguages]);
  const language = visitorLanguages.find((known) => known === asked) ?? visitorLanguages[0]!;
  response.set('Content-Language', language);
  return language;
}

/* That an embed is shown no more, and where its content may still be. */
function sayOver(response: Response, content: FramedContent | null): void {
  if (!content) return speak(response, 410, 'over');
  const language = spokenIn(response);
  response
    .status(410)
    .set('Content-Security-Policy', withLink)
    .type('html')
    .send(overDocument(visitorWords[language].over, content, language));
}

/* Ends when whoever asked goes away. */
function goneOf(response: Response): AbortSignal {
  const gone = new AbortController();
  response.once('close', () => gone.abort());
  return gone.signal;
}

/* What goes wrong inside is for the log; visitors of somebody's page learn nothing of it. */
const quietly =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    response.set({ 'Cache-Control': 'no-store', 'Content-Security-Policy': nothing });
    if (isAway(error)) return speak(response.set('Retry-After', '2'), 503, 'away');
    if (error instanceof URIError) return say(response, 400, 'This is no address.');
    log.error({ err: error }, 'a frame failed');
    speak(response, 500, 'broken');
  };
