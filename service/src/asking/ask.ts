import { framingOf, type MediaAnswer, type ResourceAnswer } from '@orbis/core';
import type { Fetched, GetOptions } from '../fetching/hop.ts';
import { FetchFailure } from '../fetching/failure.ts';
import { totalOf } from '../fetching/total.ts';
import type { ResourceRow } from '../store/resources.ts';
import type { AskTools } from './ask-tools.ts';

/** How something was answered, with what only some of it has. */
export interface Asking {
  answer: ResourceAnswer;
  /** The status that came; null where nothing did. */
  status: number | null;
  /** Of what is read as a text, in bytes. */
  bytes: number | null;
  /** What came of an answer about a link. */
  body: Fetched | null;
  /** In how many seconds it may be asked again, where its host says that it is too busy; else null. */
  retryAfter: number | null;
  isBusy: boolean;
}

/* As much of a page as says that it is there; of a film as tells how large and long it is; and as much of a
   script, a style sheet or an answer as is measured. */
const [ofPage, ofFilm, ofScript] = [2048, 512 * 1024, 3_000_000];

/* A page of nobody: captions that only some pages may read are told apart by it. */
const stranger = 'https://reader.invalid';

const questions: Record<ResourceRow['use'], Omit<GetOptions, 'declared'>> = {
  frame: { accept: 'text/html, application/xhtml+xml;q=0.9, */*;q=0.8', beginning: ofPage },
  link: { accept: 'text/html, application/xhtml+xml;q=0.9, */*;q=0.8', beginning: ofPage },
  image: { accept: 'image/avif, image/webp, image/*, */*;q=0.8', beginning: ofPage },
  script: { accept: '*/*', beginning: ofScript },
  stylesheet: { accept: 'text/css, */*;q=0.1', beginning: ofScript },
  media: { accept: '*/*', beginning: ofFilm, range: ofFilm },
  captions: { accept: '*/*', beginning: ofPage },
  oembed: { accept: 'application/json, text/xml;q=0.9', beginning: ofScript },
};

/** Asks for something that placed embeds load, as a visitor’s browser would. */
export async function ask(
  row: ResourceRow,
  declared: readonly string[],
  { fetching, reader }: AskTools,
): Promise<Asking> {
  const began = performance.now();
  try {
    const origin = declared[0] === undefined ? stranger : new URL(declared[0]).origin;
    const fetched = await fetching.get(row.address, {
      ...questions[row.use],
      declared,
      ...(row.use === 'captions' && { origin }),
    });
    const took = Math.round(performance.now() - began);
    return await contentOf(row, fetched, { took, declared, origin, reader });
  } catch (error) {
    if (!(error instanceof FetchFailure)) throw error;
    return failureOf(error);
  }
}

async function contentOf(
  { use }: ResourceRow,
  fetched: Fetched,
  {
    took,
    declared,
    origin,
    reader,
  }: { took: number; declared: readonly string[]; origin: string } & Pick<AskTools, 'reader'>,
): Promise<Asking> {
  const { status, url: at, isMoved, headers, body, cut } = fetched;
  const bytes = isMeasured(use) && !cut ? body.byteLength : null;
  return {
    answer: {
      ...{ as: 'content', at, isMoved, took, type: headers.get('content-type') ?? '' },
      framing: use === 'frame' ? framing(fetched, declared) : null,
      // What it was before is known to whoever writes it down.
      size: null,
      media: use === 'media' ? await mediaIn(fetched, reader) : null,
      isShared: use !== 'captions' || isShared(fetched, origin),
    },
    ...{ status, bytes, body: use === 'oembed' ? fetched : null },
    ...{ retryAfter: null, isBusy: false },
  };
}

function failureOf({ status, message: why, retryAfter, isUnasked }: FetchFailure): Asking {
  const isBusy = status === 429 || status === 503;
  const answer: ResourceAnswer =
    status !== null ? { as: 'refusal', status, why } : { as: isUnasked ? 'unasked' : 'silence', why };
  return { answer, status, bytes: null, body: null, retryAfter, isBusy };
}

const isMeasured = (use: ResourceRow['use']): boolean => use === 'script' || use === 'stylesheet';

function framing({ url, headers }: Fetched, declared: readonly string[]) {
  const found = framingOf({
    page: url,
    frameOptions: headers.get('x-frame-options'),
    policies: [headers.get('content-security-policy') ?? ''],
    by: declared.map((address) => new URL(address).origin),
  });
  return found.allowed ? null : found.reason;
}

async function mediaIn(fetched: Fetched, reader: AskTools['reader']): Promise<MediaAnswer> {
  const total = totalOf(fetched);
  const { type, width, height, length } = await reader.fileFacts(fetched.body, total);
  return { type, width, height, length, bytes: total, ranges: fetched.status === 206 };
}

/* Whether a page of this origin may read it (Fetch, section 4.9); its own pages may in any case. */
function isShared({ url, headers }: Fetched, origin: string): boolean {
  const lets = headers.get('access-control-allow-origin')?.trim() ?? '';
  return new URL(url).origin === origin || lets === '*' || lets === origin;
}
