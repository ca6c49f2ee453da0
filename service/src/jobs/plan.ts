import type { JobHandler } from '../queue/handler.ts';
import { insertPlanning } from '../store/jobs.ts';
import { countStale } from '../store/stale.ts';
import { planNext, type PlanTools } from '../usecases/planning.ts';

/* So many pages are planned before the lease is renewed. */
const together = 20;

/** Plans the pages that something has changed for, until there are none. */
export const planJobs = ({ tools, refresh, now }: { tools: () => PlanTools; refresh: () => Promise<void>; now: () => Date }): JobHandler => ({
  kind: 'plan',
  leavesTrace: false,
  prepare: async (db) => {
    if ((await countStale(db, 1)) > 0) await insertPlanning(db, now());
  },
  step: async () => {
    // What it is planned with may have been changed by another process.
    await refresh();
    return (await planNext(together, tools())) > 0 ? 'more' : 'none';
  },
});
