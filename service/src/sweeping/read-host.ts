import { setTimeout as wait } from 'node:timers/promises';
import { isAway } from '../database/errors.ts';
import { FetchFailure } from '../fetching/failure.ts';
import { findJob, noteAttempt, type JobRow } from '../store/jobs.ts';
import {
  beginToRun,
  closeLane,
  failSweep,
  keepHost,
  letHostGo,
  nextTurn,
  type HeldHost,
  type Turn,
} from '../store/sweep-turns.ts';
import { leaveForLater, nextPage, recordPage, type PageOfSweep } from '../store/sweeps.ts';
import { filesOnce } from './files-once.ts';
import { lookAtPage } from './look-at-page.ts';
import type { LookTools, PageTools } from './look-tools.ts';
import type { ReadHost } from './sweeper.ts';

/* Between two pages a host is left alone for as long as the last one took, at most for so many ms: a sweep
   is never more than half of what it has to do. */
const longestPause = 2000;
/* After so many pages in a row for which nothing answered, the others are not asked for. */
const [mostSilences, inWords] = [3, 'three'];
/* So often is a page asked for whose host is too busy, and so long is it waited for, in seconds. */
const [mostTries, longestWait, usualWait] = [3, 3600, 30];
/* A page takes as long as its host and its files do: meanwhile the host is kept, in ms. */
const keepEvery = 20_000;
/* So often may a sweep fail of what is nobody’s page, and so many seconds lie between the first two times. */
const [mostAttempts, firstPause] = [3, 5];

/** How many pages in a row nothing has answered for, and why. */
interface Silence {
  pages: number;
  last: FetchFailure | null;
}

/** Reads what sweeps have to read from a host, page by page. */
export function hostReader(tools: LookTools, owner: string): ReadHost {
  const files = filesOnce(tools.fetching);
  return async (host, isStopping) => {
    const silences = new Map<number, Silence>();
    const keeping = setInterval(() => void keepHost(tools.db, host, owner).catch(() => undefined), keepEvery);
    try {
      for (;;) {
        if (isStopping()) return await letHostGo(tools.db, host, owner);
        const turn = await nextTurn(tools.db, host);
        if (turn === null) return await letHostGo(tools.db, host, owner);
        const silence = silences.get(turn.job.id) ?? { pages: 0, last: null };
        silences.set(turn.job.id, silence);
        const own = { ...tools, files: files(turn.job.id) };
        if ((await step(turn, { host, owner, silence }, own)) === 'leave') return;
      }
    } catch (error) {
      // Without the database there is nobody to tell: the lease runs out, and the sweep goes on.
      if (isAway(error)) throw error;
      await letHostGo(tools.db, host, owner);
      if (!isStopping()) throw error;
    } finally {
      clearInterval(keeping);
    }
  };
}

interface Holding {
  host: HeldHost;
  owner: string;
  silence: Silence;
}

/* The next page of a sweep on a host, or its end there. */
async function step(turn: Turn, holding: Holding, tools: PageTools): Promise<'go-on' | 'leave'> {
  const { db, now } = tools;
  const next = turn.job.stopAsked ? null : await nextPage(db, turn.lane);
  if (next === null) {
    await closeLane(db, turn, now());
    return 'go-on';
  }
  if (turn.job.state === 'waiting') await beginToRun(db, turn.job.id, now());
  try {
    return await readPage(next, holding, tools);
  } catch (error) {
    return await failed(turn.job, error, holding, tools);
  }
}

async function readPage(
  next: PageOfSweep,
  { host, owner, silence }: Holding,
  tools: PageTools,
): Promise<'go-on' | 'leave'> {
  const isGivenUp = silence.pages >= mostSilences;
  const { result, failure, took } = await lookAtPage(next, tools, isGivenUp ? notAsked(silence.last!) : null);
  const pause = failure && pauseFor(failure, next.sweepPage.tries);
  if (pause) {
    await leaveForLater(tools.db, next);
    await letHostGo(tools.db, host, owner, pause);
    return 'leave';
  }
  if (!isGivenUp) {
    silence.pages = failure?.isSilence ? silence.pages + 1 : 0;
    silence.last = failure;
  }
  if (!(await recordPage(tools.db, owner, next, result, tools.now()))) {
    tools.log.warn({ host: host.name }, 'another process has taken the host');
    return 'leave';
  }
  tools.metrics.pageRead(failure ? 'unreachable' : 'read');
  if (!isGivenUp) await wait(Math.min(took, longestPause));
  return 'go-on';
}

const notAsked = ({ message, remedy }: FetchFailure): FetchFailure =>
  new FetchFailure(`${message} It was not asked for this page after ${inWords} in a row.`, remedy);

/* In how many seconds a host that is too busy is asked again; null where it is not waited for. */
function pauseFor({ status, retryAfter }: FetchFailure, tries: number): number | null {
  if ((status !== 429 && status !== 503) || tries + 1 >= mostTries) return null;
  const seconds = Math.max(1, retryAfter ?? usualWait * 2 ** tries);
  return seconds > longestWait ? null : seconds;
}

/* What failed is no page of a foreign host: it is tried again, later each time. */
async function failed(
  job: JobRow,
  error: unknown,
  { host, owner }: Holding,
  { db, log, now }: LookTools,
): Promise<'leave'> {
  if (isAway(error)) throw error;
  log.error({ job: job.publicId, err: error }, 'sweep failed');
  await noteAttempt(db, job.id);
  const attempts = (await findJob(db, job.publicId))?.attempts ?? mostAttempts;
  if (attempts >= mostAttempts) await failSweep(db, job.id, now());
  await letHostGo(db, host, owner, firstPause * 2 ** (attempts - 1));
  return 'leave';
}
