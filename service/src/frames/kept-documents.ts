import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import { LRUCache } from 'lru-cache';
import { isAway } from '../database/errors.ts';
import type { DocumentsOnDisk } from './documents-on-disk.ts';
import type { NotServed, ServedDocument } from './served.ts';

/** A way to write a document (HTTP, section 8.4.1). */
export type Encoding = 'br' | 'gzip' | 'identity';

/** A document as it goes out. */
export interface KeptDocument {
  policy: string;
  /** The features that it may use. */
  features: readonly string[];
  /** The origins of the site on which it is placed. */
  sites: readonly string[];
  /** A short digest of all that is sent with it. */
  version: string;
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
  /** Where it was. */
  from: Source;
  /** How much longer it holds, in ms; 0 and below where the database could not be asked. */
  left: number;
}

/** Where a document was found: nearest first. */
export type Source = 'memory' | 'disk' | 'database';

/** The documents of placements. */
export interface KeptDocuments {
  get(id: string): Promise<Kept>;
  /** What is in memory and need not be asked for now; null where somebody has to ask. */
  atHand(id: string): { document: KeptDocument; left: number } | null;
}

export interface KeepingTools {
  /** Asks the database. */
  find(id: string): Promise<ServedDocument | NotServed | null>;
  now?: () => number;
  /** Where documents outlive the process, for one that begins while the database is away. */
  disk?: Pick<DocumentsOnDisk, 'keep' | 'forget' | 'read'>;
  /** Told when the database goes away and there is something to show all the same, and when it is back. */
  tell(state: 'away' | 'back'): void;
  /** How many bytes are kept. */
  most?: number;
}

/* So long a document goes out without asking again, in ms: a change is seen that much later at most, and
   however many visitors come, the database is asked once in that time for each document. */
const fresh = 1000;
const noDisk: Required<KeepingTools>['disk'] = {
  keep: () => undefined,
  forget: () => undefined,
  read: () => Promise.resolve(null),
};
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
  disk = noDisk,
  now = Date.now,
  tell,
  most = 64 * 1024 * 1024,
}: KeepingTools): KeptDocuments {
  const entries = new LRUCache<string, Entry>({ maxSize: most, sizeCalculation: sizeOf });
  const database = askedOnce({ find, disk, now, tell }, entries);
  const leftOf = ({ asked }: Entry): number => asked + fresh - now();
  return {
    atHand: (id) => {
      const kept = entries.get(id);
      if (!kept) return null;
      // Whoever finds it asked for already need not wait for the answer.
      const isEnough = now() < kept.askAgain || database.isAsked(id);
      return isEnough ? { document: kept.document, left: leftOf(kept) } : null;
    },
    get: async (id) => {
      const kept = entries.get(id);
      const last: Kept | null = kept ? { found: kept.document, from: 'memory', left: leftOf(kept) } : null;
      if (last && kept && now() < kept.askAgain) return last;
      const wasAway = database.isAway();
      const asked = database.ask(id);
      if (!last) return asked;
      const orLast = asked.catch((error: unknown) => {
        // Nobody waits for a database that is known to be away, and so nobody hears of this either.
        if (isAway(error) || wasAway) return last;
        throw error;
      });
      return wasAway ? last : orLast;
    },
  };
}

/* Asks the database: of many who come at once, one does. What it says is written down. */
function askedOnce(
  { find, disk, now, tell }: Pick<Required<KeepingTools>, 'find' | 'disk' | 'now' | 'tell'>,
  entries: LRUCache<string, Entry>,
): { ask(id: string): Promise<Kept>; isAsked(id: string): boolean; isAway(): boolean } {
  const asking = new Map<string, Promise<Kept>>();
  let isAwayNow = false;
  const note = (state: 'away' | 'back'): void => {
    if (isAwayNow !== (state === 'away')) tell(state);
    isAwayNow = state === 'away';
  };
  /* What was written down before this process began; it is as old as can be. */
  const fromDisk = async (id: string): Promise<Kept | null> => {
    const found = await disk.read(id);
    if (!found) return null;
    note('away');
    const entry = { ...entryOf(found, now() - fresh, undefined), askAgain: now() + fresh };
    entries.set(id, entry);
    return { found: entry.document, from: 'disk', left: 0 };
  };
  const ask = async (id: string): Promise<Kept> => {
    const asked = now();
    try {
      const found = await find(id);
      note('back');
      if (found === null || 'why' in found) {
        entries.delete(id);
        if (found?.why === 'over') disk.forget(id);
        return { found, from: 'database', left: fresh };
      }
      const before = entries.peek(id);
      const entry = entryOf(found, asked, before);
      // What is taken now is ready before it takes the place of the last one, so that nobody waits for it.
      const taken = before ? readyIn(before.document) : [];
      await Promise.all(taken.map((encoding) => entry.document.body(encoding)));
      entries.set(id, entry);
      if (entry.document !== before?.document) disk.keep(id, found);
      return { found: entry.document, from: 'database', left: fresh };
    } catch (error) {
      if (!isAway(error)) throw error;
      const kept = entries.peek(id);
      if (kept) {
        note('away');
        // However many visitors come, a database that is away is asked no more often than one that is there.
        kept.askAgain = now() + fresh;
        throw error;
      }
      const onDisk = await fromDisk(id);
      if (onDisk) return onDisk;
      throw error;
    } finally {
      asking.delete(id);
    }
  };
  return {
    ask: (id) => {
      const running = asking.get(id) ?? ask(id);
      asking.set(id, running);
      return running;
    },
    isAsked: (id) => asking.has(id),
    isAway: () => isAwayNow,
  };
}

interface Entry {
  document: KeptDocument;
  /** What it was made of. */
  source: string;
  /** When the database was asked, and when it is to be asked again. */
  asked: number;
  askAgain: number;
}

/* In each encoding, and what comes with an entry. */
const readyIn = (document: KeptDocument): Encoding[] =>
  (['br', 'gzip', 'identity'] as const).filter((encoding) => document.ready(encoding) !== null);

const sizeOf = ({ source }: Entry): number => 2 * source.length + 500;

function entryOf(found: ServedDocument, asked: number, before: Entry | undefined): Entry {
  const source = [found.policy, found.features?.join() ?? '', found.sites?.join() ?? '', found.html].join(
    '\n',
  );
  // What did not change is not compressed again.
  const document = before?.source === source ? before.document : prepared(found, source);
  return { document, source, asked, askAgain: asked + fresh };
}

function prepared({ html, policy, features = [], sites = [] }: ServedDocument, source: string): KeptDocument {
  const text = Buffer.from(html);
  const version = createHash('sha256').update(source).digest('base64url').slice(0, 22);
  const bodies = new Map<Encoding, Promise<Buffer>>();
  const made = new Map<Encoding, Buffer>();
  const make = async (encoding: Encoding): Promise<Buffer> => {
    const body = await compress[encoding](text);
    made.set(encoding, body);
    return body;
  };
  return {
    policy,
    features,
    sites,
    version,
    tag: (encoding) => `"${version}${encoding === 'identity' ? '' : `-${encoding}`}"`,
    body: (encoding) => {
      const making = bodies.get(encoding) ?? make(encoding);
      bodies.set(encoding, making);
      return making;
    },
    ready: (encoding) => made.get(encoding) ?? null,
  };
}
