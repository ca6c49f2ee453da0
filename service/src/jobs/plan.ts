import type { JobHandler } from '../queue/handler.ts';
import { insertPlanning } from '../store/jobs.ts';
import { countStale } from '../store/stale.ts';
import { planNext, type PlanTools } from '../usecases/planning.ts';

/* So many pages are planned before the lease is renewed. */
const together = 20;

/** Plans the pages that something has changed for, until there are none. */
export const planJobs = ({ tools, now }: { tools: PlanTools; now: () => Date }): JobHandler => ({
  kind: 'plan',
  leavesTrace: false,
  prepare: async (db) => {
    if ((await countStale(db, 1)) > 0) await insertPlanning(db, now());
  },
  step: async () => ((await planNext(together, tools)) > 0 ? 'more' : 'none'),
});
