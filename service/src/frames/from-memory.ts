import type { IncomingMessage, OutgoingHttpHeaders, RequestListener } from 'node:http';
import type { HitCounter } from './count-hits.ts';
import type { Origins } from '../origins.ts';
import { cacheStatus, documentHeaders } from './document-headers.ts';
import type { Encoding, KeptDocument, KeptDocuments } from './kept-documents.ts';

export interface FromMemoryTools {
  documents: KeptDocuments;
  hits: Pick<HitCounter, 'note'>;
  origins: () => Origins;
}

/**
 * Answers what visitors ask for most before anything else is done for a request: documents that have a host
 * of their own, are in memory and hold. Whatever is asked in another way than browsers do goes on to the
 * app, as does whatever is to be asked of the database; it answers alike. What is answered here is not
 * counted against whoever asks: it costs less than counting.
 */
export function fromMemory(
  app: RequestListener,
  { documents, hits, origins }: FromMemoryTools,
): RequestListener {
  const answers = new WeakMap<KeptDocument, Map<Encoding, Answer>>();
  const answerOf = (id: string, document: KeptDocument, encoding: Encoding): Answer | null => {
    const made = answers.get(document) ?? new Map<Encoding, Answer>();
    answers.set(document, made);
    const answer = made.get(encoding) ?? prepare({ id, document }, encoding, origins());
    if (answer) made.set(encoding, answer);
    return answer;
  };
  return (request, response) => {
    const id = isPlain(request) ? placementOf(request, origins()) : null;
    const kept = id === null ? null : documents.atHand(id);
    const encoding = encodingOf(request.headers['accept-encoding']);
    const answer = kept && encoding && answerOf(id!, kept.document, encoding);
    if (!answer) return app(request, response);
    hits.note({ id: id!, sites: kept.document.sites }, request.headers);
    if (request.headers['if-none-match'] === answer.tag)
      response.writeHead(304, aged(answer.headers, kept.left)).end();
    else response.writeHead(200, aged(answer.withLength, kept.left)).end(answer.body);
  };
}

/* An answer of which nothing is worked out any more. */
interface Answer {
  tag: string;
  headers: OutgoingHttpHeaders;
  withLength: OutgoingHttpHeaders;
  body: Buffer;
}

function prepare(
  { id, document }: { id: string; document: KeptDocument },
  encoding: Encoding,
  origins: Origins,
): Answer | null {
  const body = document.ready(encoding);
  if (!body) return null;
  const headers = documentHeaders({ id, document, from: 'memory', left: 0 }, encoding, origins);
  return {
    tag: document.tag(encoding),
    headers,
    withLength: { ...headers, 'Content-Length': body.length },
    body,
  };
}

/* What is past its time says so. */
const aged = (headers: OutgoingHttpHeaders, left: number): OutgoingHttpHeaders =>
  left > 0 ? headers : { ...headers, 'Cache-Status': cacheStatus('memory', left) };

/* Whether it asks as browsers do, with nothing that only the app understands. */
const isPlain = ({ method, url, headers }: IncomingMessage): boolean =>
  method === 'GET' &&
  url === '/' &&
  headers['x-forwarded-host'] === undefined &&
  headers.range === undefined &&
  !/[,/*]/.test(headers['if-none-match'] ?? '') &&
  !headers['cache-control']?.includes('no-cache');

function placementOf({ headers: { host = '' } }: IncomingMessage, origins: Origins): string | null {
  if (!origins.ownHosts || !origins.isFrames(host)) return null;
  const port = host.indexOf(':');
  return origins.placementName(port < 0 ? host : host.slice(0, port), '/');
}

/* Null where it says more than names. */
function encodingOf(accepted = ''): Encoding | null {
  if (accepted.includes(';') || accepted.includes('*')) return null;
  return /\bbr\b/.test(accepted) ? 'br' : /\bgzip\b/.test(accepted) ? 'gzip' : 'identity';
}
