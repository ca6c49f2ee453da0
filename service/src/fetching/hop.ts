import { request, type Dispatcher } from 'undici';
import { acceptedEncodings, limited, unpacked } from './body.ts';
import { brokenOff, FetchFailure } from './failure.ts';
import { retryAfter } from './retry-after.ts';

/** What a link leads to: headers, and the body or its beginning. */
export interface Fetched {
  /** Where it was found in the end, after redirects. */
  url: string;
  status: number;
  headers: Headers;
  body: Uint8Array;
  /** Whether there was more than was asked for. */
  cut: boolean;
  /** Whether it was led there, and each time for good (RFC 9110, sections 15.4.2 and 15.4.9). */
  isMoved: boolean;
}

export interface GetOptions {
  /** Addresses of the owner's own sites: they may be anywhere and have any port; nothing else private may. */
  declared: readonly string[];
  accept: string;
  /** Only pages: anything else is refused before its body is read. */
  pagesOnly?: boolean;
  /** Asks for this many bytes only (RFC 9110, section 14.2); whoever does not know ranges sends all. */
  range?: number;
  /** Stops there and keeps what has come; without it a larger body is refused. */
  beginning?: number;
  /** The tag of what is known already: where nothing has changed, the answer has status 304 and no body. */
  knownAs?: string;
  /** Asks as a page of this origin does (Fetch, section 3.2.2). */
  origin?: string;
  /** Asks as visitors do: a cache may answer. */
  throughCaches?: boolean;
}

/** What Orbis calls itself. */
export const agentName = 'Orbis/0.1 (reads the pages of its owner)';

/** What one step is asked with. */
export interface HopTools {
  dispatcher: Dispatcher;
  signal: AbortSignal;
  /** How large a body may be, after decompression. */
  bytes: number;
}

/**
 * One step of the way: what answers there, or where it leads on.
 * @throws FetchFailure where it is refused; of the network, what the client throws.
 */
export async function hop(
  url: URL,
  { dispatcher, signal, bytes }: HopTools,
  options: GetOptions,
): Promise<Fetched | { leadsTo: string; status: number }> {
  const { beginning, knownAs, pagesOnly = false } = options;
  const {
    statusCode: status,
    headers: raw,
    body,
  } = await onceMore(() => request(url, { dispatcher, signal, headers: asked(options) }));
  // Whoever lets go of an answer does not hear any more how it ends.
  body.on('error', () => undefined);
  const headers = headersOf(raw);
  const target = headers.get('location');
  if (status >= 300 && status < 400 && target) {
    body.destroy();
    return { leadsTo: target, status };
  }
  if (status === 304 && knownAs !== undefined) {
    body.destroy();
    return { url: url.href, status, headers, body: new Uint8Array(), cut: false, isMoved: false };
  }
  const refusal = refusalOf(url, status, headers, pagesOnly);
  if (refusal) {
    body.destroy();
    throw refusal;
  }
  const content = unpacked(body, headers.get('content-encoding'), url);
  const { chunks, cut } = await limited(content, beginning ?? bytes, beginning !== undefined, url);
  return { url: url.href, status, headers, body: Buffer.concat(chunks), cut, isMoved: false };
}

/* Past every cache, if nothing else is said. */
const asked = ({ accept, range, knownAs, origin, throughCaches }: GetOptions): Record<string, string> => ({
  'user-agent': agentName,
  accept,
  'accept-encoding': range === undefined ? acceptedEncodings : 'identity',
  ...(throughCaches ? {} : { 'cache-control': 'no-cache', 'pragma': 'no-cache' }),
  ...(range === undefined ? {} : { range: `bytes=0-${range - 1}` }),
  ...(knownAs === undefined ? {} : { 'if-none-match': knownAs }),
  ...(origin === undefined ? {} : { origin }),
});

/* What speaks against what answered. */
function refusalOf(url: URL, status: number, headers: Headers, pagesOnly: boolean): FetchFailure | null {
  if (status < 200 || status > 299) {
    const remedy =
      status === 404
        ? 'See that the page’s path is right and that the page is published.'
        : 'See that the page opens in a browser, then check again.';
    return new FetchFailure(`${url.host} answers ${status}.`, remedy, status, {
      retryAfter: retryAfter(headers.get('retry-after'), new Date()),
    });
  }
  const type = headers.get('content-type') ?? '';
  if (!pagesOnly || isPage(type)) return null;
  return new FetchFailure(
    `${url.host} answers with ${type || 'no stated type'}, which is no page.`,
    'Give the address of a page.',
    status,
  );
}

/* A server may let go of a kept connection just as it is used again: nothing of the answer has come then, and
   only reading is asked for. */
async function onceMore<T>(ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (!brokenOff(error)) throw error;
    return ask();
  }
}

/** Whether a type is that of a page (HTML, section 2.1.1). */
export const isPage = (type: string): boolean => /^(?:text\/html|application\/xhtml\+xml)\b/i.test(type);

function headersOf(raw: Record<string, string | string[] | undefined>): Headers {
  const headers = new Headers();
  for (const [name, value] of Object.entries(raw))
    for (const one of Array.isArray(value) ? value : [value ?? '']) headers.append(name, one);
  return headers;
}
