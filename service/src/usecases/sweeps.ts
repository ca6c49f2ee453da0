import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type Sweep } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { serializeSweep } from '../serializers/sweeps.ts';
import type { Actor } from '../store/embeds.ts';
import { askToStop, findJob, holdJob, type JobRow } from '../store/jobs.ts';
import { isBlock, pagesShowing } from '../store/blocks.ts';
import { allSites, type SiteRow } from '../store/places.ts';
import { groupBy } from '../store/group.ts';
import { closeIdleLanes, waitedFor } from '../store/sweep-turns.ts';
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
  const { block, ...pages } = await pagesOf(db, { page, site });
  const address = at === undefined ? null : addressOf(pages.sites[0]!, at);
  const scope = { scope: page ?? site ?? null, address };
  try {
    return await inTransaction(db, async (tx) => {
      const begun = await insertSweep(tx, scope, pages, actor);
      if (begun.pages === 0) throw new OrbisError('nothing-to-sweep', { block });
      return begun.id;
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const running = await runningSweep(db, scope);
    throw running ? new OrbisError('job-running', { sweep: running.publicId }) : error;
  }
}

/* The sites with the pages that are read; a block’s key where it is about one. */
async function pagesOf(
  db: Database,
  { page, site }: Pick<SweepScope, 'page' | 'site'>,
): Promise<{ sites: SiteRow[]; pageIds: number[] | null; block: string | null }> {
  if (page !== undefined) {
    const found = await pageByKey(db, page);
    const sites = [found.site];
    return isBlock(found.page)
      ? { sites, pageIds: await pagesShowing(db, found.page, mostOfBlock), block: page }
      : { sites, pageIds: [found.page.id], block: null };
  }
  const sites = site === undefined ? await allSites(db) : [await siteByKey(db, site)];
  return { sites, pageIds: null, block: null };
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

/** Sweeps, as they cross the wire. */
export async function tellSweeps(db: Handle, jobs: readonly JobRow[]): Promise<Sweep[]> {
  const open = jobs.filter(({ endedAt }) => endedAt === null).map(({ id }) => id);
  const waiting = groupBy(await waitedFor(db, open), ({ jobId }) => jobId);
  return jobs.map((job) => serializeSweep(job, waiting.get(job.id)));
}

/** A sweep each time that it has come on, until it has ended or nobody looks any more. */
export async function* watchSweep(db: Handle, id: string, signal: AbortSignal): AsyncGenerator<Sweep> {
  for (let last = ''; !signal.aborted;) {
    const [sweep] = await tellSweeps(db, [await sweepById(db, id)]);
    const now = JSON.stringify(sweep);
    if (now !== last) yield sweep!;
    last = now;
    if (sweep!.endedAt !== null) return;
    await wait(watchEvery, undefined, { signal }).catch(() => {});
  }
}

/** Holds a sweep back, or lets it go on; twice is once. @throws OrbisError `not-found`, `sweep-ended` */
export async function holdSweep(db: Handle, id: string, hold: boolean): Promise<void> {
  const job = await sweepById(db, id);
  await holdJob(db, job.id, hold);
  if ((await sweepById(db, id)).endedAt !== null) throw new OrbisError('sweep-ended');
}

/** Asks a sweep to stop. @throws OrbisError `sweep-ended` */
export async function stopSweep(db: Database, id: string, { now }: Actor): Promise<void> {
  const job = await sweepById(db, id);
  if (!(await askToStop(db, job.id))) throw new OrbisError('sweep-ended');
  // Where a host is just being read from, its page comes to its end first.
  await closeIdleLanes(db, job.id, now);
}
