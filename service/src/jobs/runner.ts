import type { Logger } from 'pino';
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

  const work = async (job: JobRow): Promise<void> => {
    log.info({ job: job.publicId, kind: job.kind }, 'job taken');
    try {
      for (;;) {
        const say = await renewLease(tools.db, job.id, owner);
        if (say === 'lost') return;
        if (say === 'stop') return await endJob(tools.db, job.id, 'stopped', tools.now());
        if (stopping) return await releaseJob(tools.db, job.id, owner);
        if (!(await sweepOnePage(job, tools))) return await endJob(tools.db, job.id, 'done', tools.now());
      }
    } catch (error) {
      log.error({ job: job.publicId, err: error }, 'job failed');
      await endJob(tools.db, job.id, 'failed', tools.now());
    }
  };

  const look = async (): Promise<void> => {
    for (let job = await claimJob(tools.db, owner); job; job = stopping ? null : await claimJob(tools.db, owner)) await work(job);
  };

  const round = (): void => {
    if (stopping || !idle) return;
    idle = false;
    busy = look()
      .catch((error: unknown) => log.error({ err: error }, 'looking for work failed'))
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
