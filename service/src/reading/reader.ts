import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import type {
  Expected,
  HarvestContext,
  LearnContext,
  Learned,
  Mended,
  OembedFormat,
  OembedParsed,
  PageFacts,
  PageHarvest,
  PlacementSeen,
  Reading,
  ReadingContext,
} from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type * as tasks from './worker.ts';
import type { WorkedOut, WorkOutTask } from './work-out.ts';
import type { Summary } from './worker.ts';

/** Reads foreign text in a worker with a deadline: whatever somebody pastes or publishes, the service goes on answering. */
export interface Reader {
  /** @throws OrbisError `reading-too-slow` at the deadline; so do all of these. */
  readTexts(texts: readonly string[], context: ReadingContext): Promise<Reading[]>;
  summariseTexts(texts: readonly string[], context: ReadingContext): Promise<Summary[]>;
  mendTexts(texts: readonly string[], context: ReadingContext, only?: readonly string[]): Promise<Mended[]>;
  harvestPage(text: string, context: HarvestContext): Promise<PageHarvest>;
  sightPage(text: string, expected: readonly Expected[]): Promise<PlacementSeen[]>;
  learnFrom(samples: readonly string[], context: LearnContext): Promise<Learned>;
  linkedPage(page: { html: string; linkHeader: string | null; base: string }): Promise<PageFacts>;
  workOut(task: WorkOutTask): Promise<WorkedOut>;
  oembedAnswer(text: string, format: OembedFormat): Promise<OembedParsed>;
  close(): Promise<void>;
}

export interface ReaderOptions {
  /** How long one task may take. */
  seconds?: number;
  threads?: number;
}

/** Starts no thread before the first text comes. */
export function createReader({ seconds = 10, threads = 2 }: ReaderOptions = {}): Reader {
  const worker = import.meta.url.endsWith('.ts') ? './worker.development.mjs' : './worker.js';
  const pool = new Piscina({
    filename: fileURLToPath(new URL(worker, import.meta.url)),
    minThreads: 0,
    maxThreads: threads,
    idleTimeout: 30_000,
    // What a reading leaves behind is little and short-lived; three times this much is kept for it in each thread.
    resourceLimits: { maxYoungGenerationSizeMb: 8 },
    execArgv: process.execArgv.filter((argument) => argument.startsWith('--conditions')),
  });
  const run = async <N extends keyof typeof tasks>(name: N, task: Parameters<(typeof tasks)[N]>[0]): Promise<ReturnType<(typeof tasks)[N]>> => {
    // A thread that does not come back in time is ended, and another one takes its place.
    const deadline = new AbortController();
    const timer = setTimeout(() => deadline.abort(), seconds * 1000);
    try {
      return (await pool.run(task, { name, signal: deadline.signal })) as ReturnType<(typeof tasks)[N]>;
    } catch (error) {
      if (deadline.signal.aborted) throw new OrbisError('reading-too-slow', { seconds });
      throw error;
    } finally {
      clearTimeout(timer);
    }
  };
  return {
    readTexts: (texts, context) => run('readTexts', { texts, context }),
    summariseTexts: (texts, context) => run('summariseTexts', { texts, context }),
    mendTexts: (texts, context, only) => run('mendTexts', { texts, context, only }),
    harvestPage: (text, context) => run('harvestPage', { text, context }),
    sightPage: (text, expected) => run('sightPage', { text, expected }),
    learnFrom: (samples, context) => run('learnFrom', { samples, context }),
    linkedPage: (page) => run('linkedPage', page),
    workOut: (task) => run('workOut', task),
    oembedAnswer: (text, format) => run('oembedAnswer', { text, format }),
    close: () => pool.destroy(),
  };
}
