import { inTransaction } from '../database/transaction.ts';
import type { JobHandler } from '../queue/handler.ts';
import { insertPlanning } from '../store/jobs.ts';
import { markNext } from '../store/mark-stale.ts';
import { countStale } from '../store/stale.ts';
import { planNext, type PlanTools } from '../usecases/planning.ts';

/* So many pages are planned before the lease is renewed. */
const together = 20;

/**
 * Plans the pages that something has changed for, until there are none; those of a large site are marked
 * before that, piece by piece.
 */
export const planJobs = ({ tools, now }: { tools: PlanTools; now: () => Date }): JobHandler => ({
  kind: 'plan',
  leavesTrace: false,
  prepare: async (db) => {
    if ((await countStale(db, 1)) > 0) await insertPlanning(db, now());
  },
  step: async () => {
    // Marked first: what is marked is planned once, whatever else changes meanwhile.
    if (await inTransaction(tools.db, markNext)) return 'more';
    return (await planNext(together, tools)) > 0 ? 'more' : 'none';
  },
});
