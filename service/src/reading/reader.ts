import { fileURLToPath } from 'node:url';
import PQueue from 'p-queue';
import { Piscina } from 'piscina';
import type {
  Expected,
  HarvestContext,
  LearnContext,
  Learned,
  LookedFor,
  Mended,
  OembedFormat,
  OembedParsed,
  PageFacts,
  PageRequest,
  PageHarvest,
  PageLinks,
  PageLook,
  PageStyles,
  PageWithRoom,
  PlaceOnPage,
  PieceSeen,
  PlacementSeen,
  Reading,
  ReadingContext,
  readProviderList,
  Sitemap,
  SpecimenPlace,
  TextRun,
  UsedColour,
  PagePlan,
} from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type * as tasks from './worker.ts';
import { deadlineIn } from './deadline.ts';
import type { FileFacts } from './file-facts.ts';
import type { RobotsFile, RobotsQuestion } from './robots-rules.ts';
import type { WorkedOut, WorkOutTask } from './work-out.ts';
import type { PageTask } from './work-out-page.ts';
import type { SheetRead, Summary } from './worker.ts';

/**
 * Reads foreign text in a worker with a deadline: whatever somebody pastes or publishes, the
 * service goes on answering.
 */
export interface Reader {
  /** @throws OrbisError `reading-too-slow` at the deadline; so do all of these. */
  readTexts(texts: readonly string[], context: ReadingContext): Promise<Reading[]>;
  summariseTexts(texts: readonly string[], context: ReadingContext): Promise<Summary[]>;
  mendTexts(texts: readonly string[], context: ReadingContext, only?: readonly string[]): Promise<Mended[]>;
  harvestPage(text: string, context: HarvestContext): Promise<PageHarvest>;
  lookAtPage(text: string, lookedFor: LookedFor): Promise<PageLook>;
  reconcilePage(text: string, expected: readonly Expected[]): Promise<PlacementSeen[]>;
  /** What a published page shows of a specimen; null where it shows none of it. */
  specimenSeen(html: string, place: Pick<SpecimenPlace, 'token' | 'address'>): Promise<PieceSeen[] | null>;
  /** Which of these documents stands in a file; null where none does. */
  fileSeen(text: string, documents: readonly string[]): Promise<number | null>;
  learnFrom(samples: readonly string[], context: LearnContext): Promise<Learned>;
  linkedPage(page: { html: string; linkHeader: string | null; base: string }): Promise<PageFacts>;
  workOut(task: WorkOutTask): Promise<WorkedOut>;
  workOutPage(task: PageTask): Promise<PagePlan>;
  oembedAnswer(text: string, format: OembedFormat): Promise<OembedParsed>;
  fileFacts(beginning: Uint8Array, size: number | null): Promise<FileFacts>;
  /** Whether a site's robots.txt lets programs read an address. */
  robots(question: RobotsQuestion): Promise<boolean>;
  /** The sitemaps that a site's robots.txt names (Sitemaps protocol 0.9). */
  sitemapsNamed(file: RobotsFile): Promise<string[]>;
  sitemap(text: string): Promise<Sitemap | null>;
  pageLinks(page: { html: string; address: string }): Promise<PageLinks>;
  sheetFile(text: string): Promise<SheetRead>;
  compareTexts(before: string, after: string): Promise<TextRun[]>;
  providerList(text: string): Promise<ReturnType<typeof readProviderList>>;
  pageStyles(page: { html: string; address: string }): Promise<PageStyles>;
  look(sheets: readonly string[]): Promise<{ colours: UsedColour[]; font: string | null }>;
  pageWithRoom(page: PageRequest): Promise<PageWithRoom | PlaceOnPage[]>;
  close(): Promise<void>;
}

export interface ReaderOptions {
  /** How long one task may take, from when its turn comes; longer where it does not get a processor. */
  seconds?: number | undefined;
  threads?: number;
  /** How many tasks may wait for their turn. */
  waiting?: number;
  /** Of the heap of each thread. */
  megabytes?: number;
}

/** Starts no thread before the first text comes. */
export function createReader({
  seconds = 10,
  threads = 2,
  waiting = 1000,
  megabytes = 640,
}: ReaderOptions = {}): Reader {
  const pool = createPool({ threads, megabytes });
  // Its own queue, so that a deadline begins when the work does: whoever waits behind
  // others loses nothing by it.
  const queue = new PQueue({ concurrency: threads });
  const once = async (name: string, task: unknown): Promise<unknown> => {
    // A thread that does not come back in time is ended, and another one takes its place.
    const deadline = deadlineIn(seconds);
    try {
      return await pool.run(task, { name, signal: deadline.signal });
    } catch (error) {
      if (deadline.signal.aborted) throw new OrbisError('reading-too-slow', { seconds });
      if ((error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new OrbisError('reading-too-large', { most: megabytes });
      throw error;
    } finally {
      deadline.callOff();
    }
  };
  const run: Run = async (name, task) => {
    if (queue.size >= waiting) throw new OrbisError('too-busy', { seconds: 5 });
    const result = await queue.add(() =>
      once(name, task).catch((error: unknown) => {
        // A thread that ended because it had grown took a task along that had just come.
        if (error instanceof Error && error.message.startsWith('worker exited')) return once(name, task);
        throw error;
      }),
    );
    return result as never;
  };
  return {
    ...tasksBy(run),
    close: async () => {
      queue.clear();
      await pool.destroy();
    },
  };
}

/* Does a task of the worker. */
type Run = <N extends keyof typeof tasks>(
  name: N,
  task: Parameters<(typeof tasks)[N]>[0],
) => Promise<Awaited<ReturnType<(typeof tasks)[N]>>>;

const tasksBy = (run: Run): Omit<Reader, 'close'> => ({
  readTexts: (texts, context) => run('readTexts', { texts, context }),
  summariseTexts: (texts, context) => run('summariseTexts', { texts, context }),
  mendTexts: (texts, context, only) => run('mendTexts', { texts, context, only }),
  harvestPage: (text, context) => run('harvestPage', { text, context }),
  lookAtPage: (text, lookedFor) => run('lookAtPage', { text, ...lookedFor }),
  reconcilePage: (text, expected) => run('reconcilePage', { text, expected }),
  specimenSeen: (html, place) => run('specimenSeen', { html, ...place }),
  fileSeen: (text, documents) => run('fileSeen', { text, documents }),
  learnFrom: (samples, context) => run('learnFrom', { samples, context }),
  linkedPage: (page) => run('linkedPage', page),
  workOut: (task) => run('workOut', task),
  workOutPage: (task) => run('workOutPage', task),
  oembedAnswer: (text, format) => run('oembedAnswer', { text, format }),
  fileFacts: (beginning, size) => run('fileFacts', { beginning, size }),
  robots: (question) => run('robots', question),
  sitemapsNamed: (file) => run('sitemapsNamed', file),
  sitemap: (text) => run('sitemap', text),
  pageLinks: (page) => run('pageLinks', page),
  sheetFile: (text) => run('sheetFile', text),
  compareTexts: (before, after) => run('compare', { before, after }),
  providerList: (text) => run('providerList', text),
  pageStyles: (page) => run('pageStyles', page),
  pageWithRoom: (page) => run('pageWithRoom', page),
  look: (sheets) => run('look', sheets),
});

function createPool({ threads, megabytes }: { threads: number; megabytes: number }): Piscina {
  const worker = import.meta.url.endsWith('.ts') ? './worker.development.mjs' : './worker.mjs';
  return new Piscina({
    filename: fileURLToPath(new URL(worker, import.meta.url)),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: 30_000,
    // What a reading leaves behind is short-lived. The trees of an ordinary page fit in, and are cleared away
    // at a stroke: with a quarter of this, reading pages one after the other took twice as long.
    resourceLimits: { maxYoungGenerationSizeMb: 32, maxOldGenerationSizeMb: megabytes },
    execArgv: process.execArgv.filter((argument) => argument.startsWith('--conditions')),
  });
}
