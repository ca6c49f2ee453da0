import { setTimeout as wait } from 'node:timers/promises';
import { OrbisError, type Inspection } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { serializeInspection } from '../serializers/inspections.ts';
import type { Actor } from '../store/embeds.ts';
import {
  findInspection,
  insertInspection,
  pagesLookedAt,
  runningInspection,
  type ShownInspection,
} from '../store/inspections.ts';
import { askToStop } from '../store/jobs.ts';
import { closeIdleLanes } from '../store/sweep-turns.ts';
import { siteByKey } from './places.ts';

/* How often one that is watched is looked at, in ms: another process may be doing it. */
const watchEvery = 500;

/** @throws OrbisError `not-found` */
export async function inspectionById(db: Handle, id: string): Promise<ShownInspection> {
  const found = await findInspection(db, id);
  if (!found) throw new OrbisError('not-found', { what: 'inspection', key: id });
  return found;
}

/** Inspections, as they cross the wire. */
export async function tellInspections(db: Handle, found: readonly ShownInspection[]): Promise<Inspection[]> {
  const pages = await pagesLookedAt(
    db,
    found.map(({ inspection: { id } }) => id),
  );
  return found.map((each) => serializeInspection(each, pages.get(each.inspection.id) ?? []));
}

/**
 * Asks for a site to be read, looked at, and held against how it was; whoever runs jobs takes it up.
 * @returns its id
 * @throws OrbisError `not-found`, `nothing-to-sweep`, `inspection-running`
 */
export async function beginInspection(
  db: Database,
  { site: key, looks }: { site: string; looks: number },
  actor: Actor,
): Promise<string> {
  const site = await siteByKey(db, key);
  if (site.pages === 0) throw new OrbisError('nothing-to-sweep', { block: null });
  try {
    return await inTransaction(db, (tx) => insertInspection(tx, { siteId: site.id, looks }, actor));
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const running = await runningInspection(db, site.id);
    throw running ? new OrbisError('inspection-running', { site: key, inspection: running.publicId }) : error;
  }
}

/** An inspection each time that it has come on, until it has ended or nobody looks any more. */
export async function* watchInspection(
  db: Handle,
  id: string,
  signal: AbortSignal,
): AsyncGenerator<Inspection> {
  for (let last = ''; !signal.aborted;) {
    const told = (await tellInspections(db, [await inspectionById(db, id)]))[0]!;
    const now = JSON.stringify(told);
    if (now !== last) yield told;
    last = now;
    if (told.endedAt !== null) return;
    await wait(watchEvery, undefined, { signal }).catch(() => {});
  }
}

/** Asks an inspection to stop, and its sweep with it. @throws OrbisError `not-found`, `inspection-ended` */
export async function stopInspection(db: Database, id: string, { now }: Actor): Promise<void> {
  const { job, sweep } = await inspectionById(db, id);
  if (!(await askToStop(db, job.id))) throw new OrbisError('inspection-ended');
  if (!sweep || !(await askToStop(db, sweep.id))) return;
  await closeIdleLanes(db, sweep.id, now);
}
