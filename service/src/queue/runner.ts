import type { Logger } from 'pino';
import type { Database } from '../database/connect.ts';
import { isAway } from '../database/errors.ts';
import { claimJob, endJob, releaseJob, removeJob, renewLease, retryJob, type JobRow } from '../store/jobs.ts';
import type { JobHandler } from './handler.ts';

export interface Runner {
  start(): void;
  /** Looks for work at once instead of at the next tick. */
  nudge(): void;
  /** Stops after the next step; what is unfinished is taken up again by whoever comes next. */
  stop(): Promise<void>;
}

/* How often a process looks for work that another one wrote down. */
const tick = 1000;

export interface RunnerTools {
  db: Database;
  /** By this name jobs are held. */
  owner: string;
  now: () => Date;
  log: Logger;
}

/**
 * Does the jobs of each kind in the database's queue, those of one kind one at a time; several processes may
 * share one queue.
 */
export function createRunner(handlers: readonly JobHandler[], tools: RunnerTools): Runner {
  return together(handlers.map((handler) => createLane(handler, tools)));
}

/** Several that work side by side. */
export function together(runners: readonly Runner[]): Runner {
  const all = (say: (runner: Runner) => void) => (): void => runners.forEach(say);
  return {
    start: all((runner) => runner.start()),
    nudge: all((runner) => runner.nudge()),
    stop: async () => void (await Promise.all(runners.map((runner) => runner.stop()))),
  };
}

function createLane(handler: JobHandler, tools: RunnerTools): Runner {
  const { db, owner } = tools;
  const ending = new AbortController();
  let busy: Promise<void> = Promise.resolve();
  let timer: NodeJS.Timeout | null = null;
  let idle = true;
  let away = false;

  const look = async (): Promise<void> => {
    await handler.prepare?.(db);
    for (
      let job = await claimJob(db, handler.kind, owner);
      job;
      job = ending.signal.aborted ? null : await claimJob(db, handler.kind, owner)
    )
      await workOn(job, handler, tools, ending.signal);
  };

  const round = (): void => {
    if (ending.signal.aborted || !idle) return;
    idle = false;
    busy = look()
      .then(() => void (away = false))
      .catch((error: unknown) => {
        // That the database is away is said once, and not every second.
        if (!(away && isAway(error))) tools.log.error({ err: error }, 'looking for work failed');
        away = isAway(error);
      })
      .finally(() => {
        idle = true;
        if (!ending.signal.aborted) timer = setTimeout(round, tick);
      });
  };

  const nudge = (): void => {
    if (timer) clearTimeout(timer);
    timer = null;
    round();
  };
  return {
    start: nudge,
    nudge,
    stop: async () => {
      ending.abort();
      if (timer) clearTimeout(timer);
      await busy;
    },
  };
}

/* Brings a job to its end, step by step, as long as it is this process's and nobody says stop. */
async function workOn(
  job: JobRow,
  handler: JobHandler,
  { db, owner, now, log }: RunnerTools,
  ending: AbortSignal,
): Promise<void> {
  if (handler.leavesTrace) log.info({ job: job.publicId, kind: job.kind }, 'job taken');
  try {
    for (;;) {
      const say = await renewLease(db, job.id, owner);
      if (say === 'lost') return;
      if (say === 'stop') return await endJob(db, job.id, owner, 'stopped', now());
      if (ending.aborted) return await releaseJob(db, job.id, owner);
      const left = await handler.step(job, owner, ending);
      if (left === 'lost') return log.warn({ job: job.publicId }, 'another process has taken the job');
      if (left === 'none')
        return await (handler.leavesTrace
          ? endJob(db, job.id, owner, 'done', now())
          : removeJob(db, job.id, owner));
    }
  } catch (error) {
    // Without the database there is nobody to tell; when it is back, the lease runs
    // out and the job goes on.
    if (isAway(error)) throw error;
    if (ending.aborted) return await releaseJob(db, job.id, owner);
    log.error({ job: job.publicId, err: error }, 'job failed');
    if (await retryJob(db, job, owner)) return;
    await (handler.leavesTrace ? endJob(db, job.id, owner, 'failed', now()) : removeJob(db, job.id, owner));
  }
}
