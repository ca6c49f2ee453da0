import PQueue from 'p-queue';
import type { BrowserContext, Page } from 'playwright-core';
import { OrbisError } from '@orbis/contract';
import { resolveHost } from '../fetching/addresses.ts';
import type { Gate } from './gate.ts';
import { BrowserFailed, firstLine, launch } from './launch.ts';

/** A browser that looks at foreign code, where one is installed. */
export interface Browser {
  /**
   * Does one piece of work in a browser of its own, which is thrown away behind it.
   * @throws OrbisError `browser-missing`, `browser-failed`, `browser-too-slow`, or `browser-busy`.
   */
  work<T>(task: (tab: Tab) => Promise<T>, options: WorkOptions): Promise<T>;
  close(): Promise<void>;
}

/** What a piece of work is done with. */
export interface Tab {
  page: Page;
  context: BrowserContext;
  gate: Gate;
}

export interface WorkOptions {
  /** Addresses of the owner's own sites, which may be anywhere. */
  declared: readonly string[];
  /** How many pixels of a picture one of CSS is; 1 where nothing is said. */
  scale?: number;
  /** How long it may take at least, where that is more than usual. */
  seconds?: number;
  /** Whoever waits for it. */
  signal?: AbortSignal;
}

export interface BrowserOptions {
  chromium: string | null;
  allowPrivate: boolean;
  /** How long one piece of work may take. */
  seconds?: number;
  /** How much memory one browser may take, in bytes. */
  memory?: number;
  /** How names become addresses; the system's way where nothing is said. */
  resolve?: typeof resolveHost;
}

/* One at a time, as each takes half a gigabyte; whoever comes when so many wait is told so. */
const mostWaiting = 8;

/** The one way in which Orbis starts a browser. */
export function createBrowser({
  chromium,
  allowPrivate,
  seconds: usual = 45,
  memory = 1_500_000_000,
  resolve = resolveHost,
}: BrowserOptions): Browser {
  const queue = new PQueue({ concurrency: 1 });
  const ended = new AbortController();

  const once = async <T>(task: (tab: Tab) => Promise<T>, options: WorkOptions): Promise<T> => {
    const { declared, scale = 1, signal } = options;
    const seconds = Math.max(usual, options.seconds ?? 0);
    const given = [ended.signal, ...(signal ? [signal] : [])];
    const late = AbortSignal.timeout(seconds * 1000);
    const end = AbortSignal.any([late, ...given]);
    end.throwIfAborted();
    const launched = await launch({ chromium: chromium!, scale, memory, declared, allowPrivate, resolve });
    const { context, gate, exhausted } = launched;
    try {
      const page = context.pages()[0] ?? (await context.newPage());
      const work = task({ page, context, gate });
      // Where something else ends first, nobody hears how the work ends.
      work.catch(() => undefined);
      return await Promise.race([work, exhausted, abortOf(end)]);
    } catch (error) {
      if (late.aborted) throw new OrbisError('browser-too-slow', { seconds });
      if (end.aborted || error instanceof OrbisError || !isOfDriver(error)) throw error;
      throw new BrowserFailed(firstLine(error));
    } finally {
      await launched.close();
    }
  };

  return {
    work: async (task, options) => {
      if (chromium === null) throw new OrbisError('browser-missing');
      if (queue.size >= mostWaiting) throw new OrbisError('browser-busy');
      try {
        return await queue.add(() => once(task, options), { signal: ended.signal });
      } catch (error) {
        if (error instanceof BrowserFailed) throw new OrbisError('browser-failed', { why: error.message });
        throw error;
      }
    },
    close: async () => {
      ended.abort(new Error('Orbis is stopping.'));
      await queue.onIdle();
    },
  };
}

/* What the driver says, such as that the page broke down; faults of our own code have other classes. */
const isOfDriver = (error: unknown): boolean =>
  error instanceof Error && (error.constructor === Error || error.name === 'TimeoutError');

const abortOf = (signal: AbortSignal): Promise<never> =>
  new Promise((_resolve, reject) => {
    const end = (): void => reject(signal.reason as Error);
    if (signal.aborted) end();
    else signal.addEventListener('abort', end, { once: true });
  });
