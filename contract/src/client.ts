import type { Problem } from './common.ts';
import type { AnswerOf, BodyInput, QueryInput, Routes } from './routes/index.ts';
import { apiBase, pathOf, paths, type RouteName } from './routes/paths.ts';

export { apiBase, pathOf };

/** An error answer of the service, or the failure to reach it (`status` 0). */
export class ApiError extends Error {
  readonly problem: Problem;
  constructor(answer: Problem) {
    super(answer.detail);
    this.name = 'ApiError';
    this.problem = answer;
  }
  get code(): string {
    return this.problem.code;
  }
}

type Values = Record<string, string | number | boolean | undefined>;
interface Call<N extends RouteName> {
  params?: Record<string, string | number>;
  query?: QueryInput<Routes[N]>;
  body?: BodyInput<Routes[N]>;
  /** What is sent as it comes, to operations that take such a text. */
  text?: { type: string; from: ReadableStream<Uint8Array> | Blob };
  ifMatch?: string;
  /** Makes it, and changes nothing that is there already. */
  ifNoneMatch?: '*';
  /** For streams of events: what was seen last. */
  lastEventId?: string;
  signal?: AbortSignal;
}
/** A call whose answer is a stream of events. */
export type EventCall<N extends RouteName> = Omit<Call<N>, 'ifMatch' | 'ifNoneMatch'>;
export interface Answer<T> {
  status: number;
  etag: string | null;
  data: T;
}
export interface ClientOptions {
  /** Where the service is, without a path: `http://orbis.localhost:7420`; empty for the page's own origin. */
  url: string;
  headers?: Record<string, string>;
  fetch?: typeof globalThis.fetch;
}
export interface Client {
  /** @throws ApiError for every answer that is no success, and when the service cannot be reached. */
  call<N extends RouteName>(name: N, call?: Call<N>): Promise<Answer<AnswerOf<Routes[N]>>>;
  /** The raw answer of an operation, for streams. */
  open<N extends RouteName>(name: N, call?: Call<N>): Promise<Response>;
}

/** The one client of the service, typed by the table of routes. */
export function createClient({ url, headers = {}, fetch = globalThis.fetch }: ClientOptions): Client {
  const open: Client['open'] = async (name, call = {}) => {
    const { method } = paths[name];
    const target = url + apiBase + pathOf(name, call.params ?? {}) + queryOf((call.query ?? {}) as Values);
    const init: RequestInit = {
      method: method.toUpperCase(),
      headers: {
        accept:
          'application/json, text/event-stream, image/webp, application/x-ndjson, text/csv, application/atom+xml',
        ...headers,
      },
    };
    const sent = init.headers as Record<string, string>;
    if (call.lastEventId !== undefined) sent['last-event-id'] = call.lastEventId;
    if (call.ifMatch !== undefined) sent['if-match'] = call.ifMatch;
    if (call.ifNoneMatch !== undefined) sent['if-none-match'] = call.ifNoneMatch;
    if (call.signal) init.signal = call.signal;
    if (call.body !== undefined) {
      init.body = JSON.stringify(call.body);
      sent['content-type'] = method === 'patch' ? 'application/merge-patch+json' : 'application/json';
    }
    if (call.text !== undefined) {
      sent['content-type'] = call.text.type;
      // A stream is sent while nothing of the answer is there yet (Fetch, section 5.4).
      Object.assign(init, { body: call.text.from, duplex: 'half' });
    }
    const response = await fetch(target, init).catch((error: unknown) => {
      if (call.signal?.aborted) throw error;
      throw new ApiError(unreachable(url));
    });
    if (!response.ok) throw new ApiError(await problemOf(response, url));
    return response;
  };
  return {
    open,
    call: async (name, call = {}) => {
      const response = await open(name, call);
      const text = response.status === 204 ? '' : await wholeText(response, url, call.signal);
      const data = text === '' ? undefined : (JSON.parse(text) as unknown);
      return { status: response.status, etag: response.headers.get('etag'), data: data as never };
    },
  };
}

/* The text of an answer; one that breaks off in the middle is as good as none. */
async function wholeText(response: Response, url: string, signal: AbortSignal | undefined): Promise<string> {
  try {
    return await response.text();
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new ApiError({
      ...unreachable(url),
      detail: `${url || 'Orbis'} broke its answer off in the middle. See whether what you asked for was done before you ask again.`,
    });
  }
}

function queryOf(query: Values): string {
  const search = new URLSearchParams();
  for (const [name, value] of Object.entries(query))
    if (value !== undefined && value !== '') search.set(name, String(value));
  return search.size > 0 ? `?${search}` : '';
}

async function problemOf(response: Response, url: string): Promise<Problem> {
  const answer: unknown = await response.json().catch(() => null);
  if (isProblem(answer)) return answer;
  return {
    ...unreachable(url),
    status: response.status,
    detail: `${url || 'The service'} answered ${response.status}, and not as Orbis does. Is it Orbis that runs there?`,
  };
}

/* Whether an answer is a problem document as Orbis writes them (RFC 9457). */
function isProblem(answer: unknown): answer is Problem {
  if (typeof answer !== 'object' || answer === null) return false;
  const { type, title, status, code, detail } = answer as Partial<Problem>;
  return [type, title, code, detail].every((text) => typeof text === 'string') && typeof status === 'number';
}

const unreachable = (url: string): Problem => ({
  type: 'about:blank',
  title: 'Not reached',
  status: 0,
  code: 'not-reached',
  detail: `Orbis does not answer${url ? ` at ${url}` : ''}. Is it running? “npm start” starts it, “npm run demo” starts the demo.`,
});

/** Follows a list page by page to its end. */
export async function* everyItem<T>(
  page: (after: string | undefined) => Promise<{ items: T[]; next: string | null }>,
): AsyncGenerator<T> {
  for (let after: string | undefined; ;) {
    const { items, next } = await page(after);
    yield* items;
    if (next === null) return;
    after = next;
  }
}
