import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type Sweep } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { serializeSweep } from '../serializers/sweeps.ts';
import type { Actor } from '../store/embeds.ts';
import { askToStop, findJob, type JobRow } from '../store/jobs.ts';
import { isBlock, pagesShowing } from '../store/blocks.ts';
import { pagesToSweep, type SiteRow } from '../store/places.ts';
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

/* So many of the pages that show a block are read to see whether it is there; all of them with their site. */
const mostOfBlock = 10;

/** What is swept: a page, or pages that show a block; a site; or everything. */
export interface SweepScope {
  page?: string | undefined;
  site?: string | undefined;
  /** A further address of the site, at which its pages are read instead. */
  at?: string | undefined;
}

/**
 * Asks for a sweep; whoever runs jobs takes it up.
 * @returns the sweep’s id.
 * @throws OrbisError `not-found`, `address-not-of-site`, `nothing-to-sweep`, `job-running`
 */
export async function beginSweep(
  db: Database,
  { page, site, at }: SweepScope,
  actor: Actor,
): Promise<string> {
  const { pageIds, swept, block } = await pagesOf(db, { page, site });
  const scope = { scope: page ?? site ?? null, address: at === undefined ? null : addressOf(swept!, at) };
  if (pageIds.length === 0) throw new OrbisError('nothing-to-sweep', { block });
  try {
    return await inTransaction(db, (tx) => insertSweep(tx, scope, pageIds, actor));
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const running = await runningSweep(db, scope);
    throw running ? new OrbisError('job-running', { sweep: running.publicId }) : error;
  }
}

/* The pages that are read, and their site where it is one; a block’s key where it is about one. */
async function pagesOf(
  db: Database,
  { page, site }: Pick<SweepScope, 'page' | 'site'>,
): Promise<{ pageIds: number[]; swept: SiteRow | null; block: string | null }> {
  if (page !== undefined) {
    const found = await pageByKey(db, page);
    return isBlock(found.page)
      ? { pageIds: await pagesShowing(db, found.page, mostOfBlock), swept: found.site, block: page }
      : { pageIds: [found.page.id], swept: found.site, block: null };
  }
  const swept = site === undefined ? null : await siteByKey(db, site);
  return { pageIds: await pagesToSweep(db, swept && { siteId: swept.id }), swept, block: null };
}

/* The further address that is meant. */
function addressOf({ key, furtherAddresses }: SiteRow, at: string): string {
  const [wanted, ...known] = [at, ...furtherAddresses].map((each) => each.replace(/\/$/, ''));
  const found = furtherAddresses[known.indexOf(wanted!)];
  if (found === undefined)
    throw new OrbisError('address-not-of-site', {
      site: key,
      address: at,
      known: furtherAddresses.join(', '),
    });
  return found;
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
