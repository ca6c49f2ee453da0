import type { Logger } from 'pino';
import { isAway } from '../database/errors.ts';
import { claimJob, endJob, releaseJob, renewLease, type JobRow } from '../store/jobs.ts';
import { sweepOnePage, type SweepTools } from './sweep.ts';

export interface Runner {
  start(): void;
  /** Looks for work at once instead of at the next tick. */
  nudge(): void;
  /** Stops at the next page; what is unfinished is taken up again by whoever comes next. */
  stop(): Promise<void>;
}

/* How often a process looks for work that another one wrote down. */
const tick = 1000;

/** Does the jobs in the database's queue, one at a time; several processes may share one queue. */
export function createRunner(tools: SweepTools, owner: string, log: Logger): Runner {
  let stopping = false;
  let busy: Promise<void> = Promise.resolve();
  let timer: NodeJS.Timeout | null = null;
  let idle = true;
  let away = false;

  const work = async (job: JobRow): Promise<void> => {
    log.info({ job: job.publicId, kind: job.kind }, 'job taken');
    try {
      for (;;) {
        const say = await renewLease(tools.db, job.id, owner);
        if (say === 'lost') return;
        if (say === 'stop') return await endJob(tools.db, job.id, owner, 'stopped', tools.now());
        if (stopping) return await releaseJob(tools.db, job.id, owner);
        const left = await sweepOnePage(job, owner, tools);
        if (left === 'lost') return log.warn({ job: job.publicId }, 'another process has taken the job');
        if (left === 'none') return await endJob(tools.db, job.id, owner, 'done', tools.now());
      }
    } catch (error) {
      // Without the database there is nobody to tell; when it is back, the lease runs out and the job goes on.
      if (isAway(error)) throw error;
      if (stopping) return await releaseJob(tools.db, job.id, owner);
      log.error({ job: job.publicId, err: error }, 'job failed');
      await endJob(tools.db, job.id, owner, 'failed', tools.now());
    }
  };

  const look = async (): Promise<void> => {
    for (let job = await claimJob(tools.db, owner); job; job = stopping ? null : await claimJob(tools.db, owner)) await work(job);
  };

  const round = (): void => {
    if (stopping || !idle) return;
    idle = false;
    busy = look()
      .then(() => void (away = false))
      .catch((error: unknown) => {
        // That the database is away is said once, and not every second.
        if (!(away && isAway(error))) log.error({ err: error }, 'looking for work failed');
        away = isAway(error);
      })
      .finally(() => {
        idle = true;
        if (!stopping) timer = setTimeout(round, tick);
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
      stopping = true;
      if (timer) clearTimeout(timer);
      await busy;
    },
  };
}
