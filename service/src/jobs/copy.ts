import { join } from 'node:path';
import { CannotCopy } from '../copies/cannot-copy.ts';
import { clearAway } from '../copies/clear-away.ts';
import { makeCopy, type MadeCopy } from '../copies/make-copy.ts';
import { rowsIn } from '../copies/manifest.ts';
import type { CopyPlan } from '../copies/plan.ts';
import { rehearse } from '../copies/rehearse.ts';
import { isAway } from '../database/errors.ts';
import type { Deps } from '../deps.ts';
import type { JobHandler } from '../queue/handler.ts';
import { keepLease } from '../queue/keep-lease.ts';
import {
  changeCopy,
  copyOfJob,
  forgetCopies,
  lastChangeId,
  newestCopy,
  type CopyRow,
} from '../store/copies.ts';
import { beginDueCopy } from '../usecases/copies.ts';

/** What copies are made with. */
export interface CopyTools extends Pick<Deps, 'connection' | 'now' | 'version'> {
  plan: CopyPlan;
  /** The database’s address, and the data folder. */
  url: string;
  root: string;
}

const day = 86_400_000;
/* For so long it is told that one failed. */
const failedDays = 30;

/** Makes safety copies, reads them back, and takes away those whose time is over. */
export const copyJobs = (tools: CopyTools): JobHandler => ({
  kind: 'copy',
  leavesTrace: false,
  prepare: () => beginDueCopy(tools.connection.db, tools.plan, tools.now()),
  step: async (job, owner, ending) => {
    const { db } = tools.connection;
    const row = await copyOfJob(db, job.id);
    if (row === null) return 'none';
    const kept = keepLease(db, job, owner, ending);
    try {
      await copyAndReadBack(row, tools, kept.signal);
    } catch (error) {
      // It is made anew by whoever takes the job up again.
      if (ending.aborted) return 'more';
      if (kept.isGone) return 'lost';
      if (isAway(error)) throw error;
      const isKnown = error instanceof CannotCopy;
      const why = isKnown ? error.message.slice(0, 500) : 'Something broke; the log says what.';
      await changeCopy(db, row.id, { state: 'failed', why });
      if (!isKnown) throw error;
    } finally {
      kept.done();
    }
    return 'none';
  },
});

async function copyAndReadBack(
  row: CopyRow,
  { connection: { db }, plan, url, root, version, now }: CopyTools,
  signal: AbortSignal,
): Promise<void> {
  await changeCopy(db, row.id, { state: 'making' });
  const { recipients } = plan;
  const lastChange = await lastChangeId(db);
  const wish = { to: row.folder, url, root, recipients, version, lastChange, at: now(), signal };
  const made = await makeCopy(wish);
  const { manifest } = made;
  await changeCopy(db, row.id, {
    ...{ name: made.name, bytes: made.bytes, madeAt: new Date(manifest.madeAt) },
    ...{ rows: rowsIn(manifest.tables), files: manifest.files.length, state: 'reading' },
  });
  const isRead = await readBack(made, plan, { db, root, now }, signal);
  await changeCopy(db, row.id, isRead ? { state: 'good', readBackAt: now() } : { state: 'unread' });
  const newest = await newestCopy(db, ['good']);
  const gone = clearAway(row.folder, plan.keep, newest ? [newest.name] : [], now());
  await forgetCopies(db, row.folder, gone, new Date(now().getTime() - failedDays * day));
}

/* Whether it was read back: each one, or where none was for a week. */
async function readBack(
  { path, identities }: MadeCopy,
  { readBack: when }: CopyPlan,
  { db, root, now }: { db: Deps['connection']['db']; root: string; now: () => Date },
  signal: AbortSignal,
): Promise<boolean> {
  const last = await newestCopy(db, ['good']);
  const week = last === null || now().getTime() - last.madeAt!.getTime() >= 7 * day;
  if (when === 'never' || (when === 'weekly' && !week)) return false;
  await rehearse(path, identities, join(root, 'cache', 'read-back'), signal);
  return true;
}
