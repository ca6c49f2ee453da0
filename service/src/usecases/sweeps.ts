import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type Sweep } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { serializeSweep } from '../serializers/sweeps.ts';
import type { Actor } from '../store/embeds.ts';
import { askToStop, findJob, type JobRow } from '../store/jobs.ts';
import { pagesToSweep } from '../store/places.ts';
import { insertSweep, runningSweep } from '../store/sweeps.ts';
import { pageByKey, siteByKey } from './places.ts';

/* How often a watched sweep is looked at, in ms; another process may be doing it, so only the
   database knows. */
const watchEvery = 250;

/** @throws OrbisError `not-found` */
export async function sweepById(db: Handle, id: string): Promise<JobRow> {
  const job = await findJob(db, id);
  if (job?.kind !== 'sweep')
    throw new OrbisError('not-found', {
      what: 'sweep',
      key: id,
    });
  return job;
}

/** What is swept: a page, a site, or everything. */
export interface SweepScope {
  page?: string | undefined;
  site?: string | undefined;
}

/**
 * Asks for a sweep; whoever runs jobs takes it up.
 * @returns the sweep’s id.
 * @throws OrbisError `nothing-to-sweep`, `job-running`
 */
export async function beginSweep(db: Database, { page, site }: SweepScope, actor: Actor): Promise<string> {
  const scope = page ?? site ?? null;
  const pageIds = await pagesToSweep(db, {
    ...(page !== undefined && { pageId: (await pageByKey(db, page)).page.id }),
    ...(site !== undefined && { siteId: (await siteByKey(db, site)).id }),
  });
  if (pageIds.length === 0) throw new OrbisError('nothing-to-sweep');
  try {
    return await inTransaction(db, (tx) => insertSweep(tx, scope, pageIds, actor));
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const running = await runningSweep(db, scope);
    throw running ? new OrbisError('job-running', { sweep: running.publicId }) : error;
  }
}

/** A sweep each time that it has come on, until it has ended or nobody looks any more. */
export async function* watchSweep(db: Handle, id: string, signal: AbortSignal): AsyncGenerator<Sweep> {
  for (let last = ''; !signal.aborted;) {
    const sweep = serializeSweep(await sweepById(db, id));
    const now = JSON.stringify(sweep);
    if (now !== last) yield sweep;
    last = now;
    if (sweep.endedAt !== null) return;
    await wait(watchEvery, undefined, { signal }).catch(() => {});
  }
}

/** Asks a sweep to stop. @throws OrbisError `sweep-ended` */
export async function stopSweep(db: Handle, id: string, { now }: Actor): Promise<void> {
  const job = await sweepById(db, id);
  if (!(await askToStop(db, job.id, now))) throw new OrbisError('sweep-ended');
}
