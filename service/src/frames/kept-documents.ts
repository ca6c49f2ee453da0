import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { LRUCache } from 'lru-cache';
import type { PreviewDocument } from '@orbis/core';
import { isAway } from '../database/errors.ts';
import type { NotServed } from './served.ts';

/** A way to write a document (HTTP, section 8.4.1). */
export type Encoding = 'br' | 'gzip' | 'identity';

/** A document as it goes out. */
export interface KeptDocument {
  policy: string;
  /** Its body, made once for each encoding. */
  body(encoding: Encoding): Promise<Buffer>;
  /** The same, where it was made already. */
  ready(encoding: Encoding): Buffer | null;
  /** Of the body and the policy together; another one for each encoding (HTTP, section 8.8.3). */
  tag(encoding: Encoding): string;
}

/** What is there for a placement: a document, or why there is none; null where there was never one. */
export interface Kept {
  found: KeptDocument | NotServed | null;
  /** Whether it was there before it was asked for. */
  fromMemory: boolean;
  /** How much longer it holds without asking, in ms; 0 and below where the database could not be asked. */
  left: number;
}

/** The documents of placements. */
export interface KeptDocuments {
  get(id: string): Promise<Kept>;
  /** What is in memory and holds, or is being asked for; null where somebody has to ask. */
  atHand(id: string): KeptDocument | null;
}

export interface KeepingTools {
  /** Asks the database. */
  find(id: string): Promise<PreviewDocument | NotServed | null>;
  now?: () => number;
  /** Told when the database goes away and there is something to show all the same, and when it is back. */
  tell(state: 'away' | 'back'): void;
  /** How many bytes are kept. */
  most?: number;
}

/* So long a document goes out without asking again, in ms: a change is seen that much later at most, and
   however many visitors come, the database is asked once in that time for each document. */
const fresh = 1000;
/* Documents are small; what compresses them best is done once. */
const compress = {
  br: (text: Buffer) =>
    promisify(brotliCompress)(text, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: text.length } }),
  gzip: (text: Buffer) => promisify(gzip)(text, { level: 9 }),
  identity: (text: Buffer) => Promise.resolve(text),
};

/**
 * Keeps the documents of placements in memory. Where the database is away, what was last shown is shown on;
 * what was never asked for is not there then.
 *
 * @throws whatever `find` throws, where nothing is kept.
 */
export function keepDocuments({
  find,
  now = Date.now,
  tell,
  most = 64 * 1024 * 1024,
}: KeepingTools): KeptDocuments {
  const entries = new LRUCache<string, Entry>({ maxSize: most, sizeCalculation: sizeOf });
  const asking = new Map<string, Promise<Kept['found']>>();
  let isAwayNow = false;
  const note = (state: boolean): void => {
    if (isAwayNow !== state) tell(state ? 'away' : 'back');
    isAwayNow = state;
  };

  const ask = async (id: string): Promise<Kept['found']> => {
    const asked = now();
    try {
      const found = await find(id);
      note(false);
      if (found === null || typeof found === 'string') {
        entries.delete(id);
        return found;
      }
      const entry = entryOf(found, asked, entries.peek(id));
      entries.set(id, entry);
      return entry.document;
    } catch (error) {
      if (entries.has(id) && isAway(error)) note(true);
      throw error;
    } finally {
      asking.delete(id);
    }
  };
  /* Many who come at once ask once. */
  const askOnce = (id: string): Promise<Kept['found']> => {
    const running = asking.get(id) ?? ask(id);
    asking.set(id, running);
    return running;
  };
  const leftOf = (entry: Entry | undefined): number => (entry ? entry.asked + fresh - now() : 0);
  return {
    atHand: (id) => {
      const kept = entries.get(id);
      // Whoever finds it asked for already need not wait for the answer.
      return kept && (leftOf(kept) > 0 || asking.has(id)) ? kept.document : null;
    },
    get: async (id) => {
      const kept = entries.get(id);
      const left = leftOf(kept);
      if (kept && left > 0) return { found: kept.document, fromMemory: true, left };
      const asked = askOnce(id).then((found): Kept => ({ found, fromMemory: false, left: fresh }));
      if (!kept) return asked;
      const wasAway = isAwayNow;
      const last: Kept = { found: kept.document, fromMemory: true, left };
      const orLast = asked.catch((error: unknown) => {
        // Nobody waits for a database that is known to be away, and so nobody hears of this either.
        if (isAway(error) || wasAway) return last;
        throw error;
      });
      return wasAway ? last : orLast;
    },
  };
}

interface Entry {
  document: KeptDocument;
  /** What it was made of. */
  source: string;
  /** When the database was asked. */
  asked: number;
}

/* In each encoding, and what comes with an entry. */
const sizeOf = ({ source }: Entry): number => 2 * source.length + 500;

function entryOf(found: PreviewDocument, asked: number, before: Entry | undefined): Entry {
  const source = `${found.policy}\n${found.html}`;
  // What did not change is not compressed again.
  const document = before?.source === source ? before.document : prepared(found, source);
  return { document, source, asked };
}

function prepared({ html, policy }: PreviewDocument, source: string): KeptDocument {
  const text = Buffer.from(html);
  const digest = createHash('sha256').update(source).digest('base64url').slice(0, 22);
  const bodies = new Map<Encoding, Promise<Buffer>>();
  const made = new Map<Encoding, Buffer>();
  const make = async (encoding: Encoding): Promise<Buffer> => {
    const body = await compress[encoding](text);
    made.set(encoding, body);
    return body;
  };
  return {
    policy,
    tag: (encoding) => `"${digest}${encoding === 'identity' ? '' : `-${encoding}`}"`,
    body: (encoding) => {
      const making = bodies.get(encoding) ?? make(encoding);
      bodies.set(encoding, making);
      return making;
    },
    ready: (encoding) => made.get(encoding) ?? null,
  };
}
