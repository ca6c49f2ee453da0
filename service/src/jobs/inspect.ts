import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError } from '@orbis/contract';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { JobHandler } from '../queue/handler.ts';
import { keepLease } from '../queue/keep-lease.ts';
import {
  choosePages,
  inspectionOf,
  keepLookedAt,
  keepLostInSweep,
  keepNotLookedAt,
  keepSweepOf,
  nextPageOf,
  type ShownInspection,
} from '../store/inspections.ts';
import { findJob } from '../store/jobs.ts';
import { insertSweep } from '../store/sweeps.ts';
import { inspectPage, whyNotLooked } from '../usecases/inspect-page.ts';
import { siteByKey } from '../usecases/places.ts';
import type { LookingTools } from '../usecases/take-look.ts';

/* How long it is waited between two looks at whether the sweep has ended, in ms. */
const pause = 500;

/**
 * Inspects sites: has the pages read, writes down what is not well there, and looks at some of them with a
 * browser, one at a time.
 */
export const inspectionJobs = (tools: LookingTools): JobHandler => ({
  kind: 'inspection',
  leavesTrace: true,
  step: async (job, owner, signal) => {
    const { db } = tools.connection;
    const shown = await inspectionOf(db, job.id);
    if (shown.sweep === null) return beginSweepOf(shown, tools);
    if (shown.inspection.readAt === null) return awaitSweep(shown, tools);
    const next = await nextPageOf(db, shown.inspection.id);
    if (next === null) return 'none';
    const kept = keepLease(db, job, owner, signal);
    try {
      const { look, unknown, lost } = await inspectPage(next, tools, kept.signal);
      const of = { id: next.id, inspectionId: shown.inspection.id };
      await inTransaction(db, (tx) => keepLookedAt(tx, of, { look, unknown, lost }));
    } catch (error) {
      // It is taken up again, or has been stopped: this page is nobody’s fault.
      if (kept.signal.aborted) return 'more';
      if (isBusy(error)) await wait(pause);
      else await keepNotLookedAt(db, next.id, whyNotLooked(error));
    } finally {
      kept.done();
    }
    return 'more';
  },
});

/* Others have the browser: this page has its turn behind them. */
const isBusy = (error: unknown): boolean => error instanceof OrbisError && error.code === 'browser-busy';

/* One that is running has begun before: what it has read already may have changed since. */
async function beginSweepOf(
  { inspection: { id }, job, site }: ShownInspection,
  { connection: { db }, now }: LookingTools,
): Promise<'more'> {
  const row = await siteByKey(db, site.key);
  const scope = { scope: site.key, address: null };
  const pages = { sites: [row], pageIds: null };
  try {
    await inTransaction(db, async (tx) => {
      const begun = await insertSweep(tx, scope, pages, { by: job.createdBy, now: now() });
      await keepSweepOf(tx, id, (await findJob(tx, begun.id))!.id);
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    await wait(pause);
  }
  return 'more';
}

async function awaitSweep(
  { inspection, sweep }: ShownInspection,
  { connection: { db }, now }: LookingTools,
): Promise<'more'> {
  if (sweep!.endedAt === null) await wait(pause);
  else
    await inTransaction(db, async (tx) =>
      choosePages(tx, inspection, now(), await keepLostInSweep(tx, inspection)),
    );
  return 'more';
}
