import { and, asc, desc, eq, gt, inArray, isNotNull, lt, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { groupBy } from './group.ts';
import { newPublicId } from './ids.ts';
import { insertMany } from './insert-many.ts';
import type { JobRow } from './jobs.ts';
import { isOneOf } from './one-of.ts';
import { afterId } from './pages.ts';
import {
  embed,
  inspection,
  inspectionLoss,
  inspectionPage,
  job,
  look,
  page,
  placement,
  site,
  spot,
} from './schema.ts';

export type InspectionRow = typeof inspection.$inferSelect;
export type NewLoss = Omit<typeof inspectionLoss.$inferInsert, 'id' | 'inspectionId'>;

/** An inspection with its job, its site, and the job of its sweep. */
export interface ShownInspection {
  inspection: InspectionRow;
  job: JobRow;
  site: { key: string };
  sweep: JobRow | null;
}

/**
 * Writes down that a site is to be inspected. Call it in a transaction.
 * @returns its id
 * @throws the driver’s duplicate-key error where it is being inspected.
 */
export async function insertInspection(
  tx: Handle,
  { siteId, looks }: { siteId: number; looks: number },
  { by, now }: { by: number | null; now: Date },
): Promise<string> {
  const publicId = newPublicId();
  const exclusiveKey = keyOf(siteId);
  const [{ insertId: jobId }] = await tx
    .insert(job)
    .values({ ...{ publicId, kind: 'inspection', exclusiveKey }, createdAt: now, createdBy: by });
  await tx.insert(inspection).values({ jobId, siteId, looks });
  return publicId;
}

const keyOf = (siteId: number): string => digest(`inspection ${siteId}`);

/** The inspection of a site that has not ended. */
export async function runningInspection(db: Handle, siteId: number): Promise<JobRow | null> {
  const [found] = await db
    .select()
    .from(job)
    .where(eq(job.exclusiveKey, keyOf(siteId)));
  return found ?? null;
}

const rows = (db: Handle) =>
  db
    .select({ id: inspection.id, inspection, job, site: { key: site.key } })
    .from(inspection)
    .innerJoin(job, eq(job.id, inspection.jobId))
    .innerJoin(site, eq(site.id, inspection.siteId));

async function withSweeps(
  db: Handle,
  found: readonly Omit<ShownInspection, 'sweep'>[],
): Promise<ShownInspection[]> {
  const ids = found.flatMap(({ inspection: { sweepId } }) => sweepId ?? []);
  const sweeps = await db.select().from(job).where(isOneOf(job.id, ids));
  return found.map((each) => ({
    ...each,
    sweep: sweeps.find(({ id }) => id === each.inspection.sweepId) ?? null,
  }));
}

/** An inspection by its id; null where there is none. */
export async function findInspection(db: Handle, publicId: string): Promise<ShownInspection | null> {
  const found = await rows(db).where(and(eq(job.publicId, publicId), eq(job.kind, 'inspection')));
  return (await withSweeps(db, found))[0] ?? null;
}

/** The inspection that a job does. */
export async function inspectionOf(db: Handle, jobId: number): Promise<ShownInspection> {
  return (await withSweeps(db, await rows(db).where(eq(inspection.jobId, jobId))))[0]!;
}

/** The inspections of a site, the newest first, with one row more where there is more. */
export async function listInspections(
  db: Handle,
  siteId: number,
  limit: number,
  after: string | undefined,
): Promise<(ShownInspection & { id: number })[]> {
  const from = afterId(after);
  const found = await rows(db)
    .where(and(eq(inspection.siteId, siteId), from === null ? undefined : lt(inspection.id, from)))
    .orderBy(desc(inspection.id))
    .limit(limit + 1);
  return (await withSweeps(db, found)).map((each) => ({ ...each, id: each.inspection.id }));
}

export const keepSweepOf = async (tx: Handle, id: number, sweepId: number): Promise<void> =>
  void (await tx.update(inspection).set({ sweepId }).where(eq(inspection.id, id)));

/* So many placements are looked through at once. */
const together = 500;

/**
 * Writes down what the sweep of an inspection found wrong with what was on its pages before. Call it in a
 * transaction.
 * @returns how many placements are well
 */
export async function keepLostInSweep(tx: Handle, { id, siteId }: InspectionRow): Promise<number> {
  let well = 0;
  for (let after = 0, more = true; more;) {
    const found = await tx
      .select({
        ...{ id: placement.id, state: placement.state, since: placement.stateSince },
        findings: placement.findings,
      })
      .from(placement)
      .where(
        and(
          eq(placement.siteId, siteId),
          eq(placement.active, 1),
          gt(placement.id, after),
          isNotNull(placement.lastSeenAt),
        ),
      )
      .orderBy(asc(placement.id))
      .limit(together);
    const lost = found.flatMap(lossesOf);
    await keepLosses(tx, id, lost);
    well += found.length - new Set(lost.map(({ placementId }) => placementId)).size;
    more = found.length === together;
    after = found.at(-1)?.id ?? after;
  }
  return well;
}

async function keepLosses(tx: Handle, inspectionId: number, lost: readonly NewLoss[]): Promise<void> {
  if (lost.length === 0) return;
  await insertMany(
    tx,
    inspectionLoss,
    lost.map((each) => ({ inspectionId, ...each })),
  );
  await tx
    .update(inspection)
    .set({ lost: sql`${inspection.lost} + ${lost.length}` })
    .where(eq(inspection.id, inspectionId));
}

/* What is only to be known is no loss; since when it is otherwise, it was well before. */
function lossesOf({
  id: placementId,
  state,
  since,
  findings,
}: Pick<typeof placement.$inferSelect, 'id' | 'state' | 'findings'> & { since: Date | null }): NewLoss[] {
  // Of what is there, and has something to it beside that, the state says nothing.
  const goodAt = state === 'live' || state === 'out-of-date' ? null : since;
  return findings
    .filter(({ level }) => level !== 'note')
    .map(({ rule, level, facts, details = [] }) => ({
      ...{ placementId, rule, level, facts: { ...facts }, details, goodAt },
      ...{ goodLook: null, look: null },
    }));
}

/**
 * Chooses the pages at which a browser looks: those that were looked at before, then others on which
 * something is placed. Call it in a transaction.
 */
export async function choosePages(
  tx: Handle,
  { id, siteId, looks }: InspectionRow,
  readAt: Date,
  well: number,
): Promise<void> {
  await tx.update(inspection).set({ readAt, well }).where(eq(inspection.id, id));
  if (looks === 0) return;
  const seen = await tx
    .select({ pageId: look.pageId })
    .from(look)
    .innerJoin(page, eq(page.id, look.pageId))
    .where(and(eq(look.siteId, siteId), eq(look.newest, 1), sql`${page.goneAt} is null`))
    .orderBy(desc(look.foreignBytes), desc(look.id))
    .limit(looks);
  const placed = await tx
    .selectDistinct({ pageId: placement.pageId })
    .from(placement)
    .innerJoin(page, eq(page.id, placement.pageId))
    .where(
      and(
        eq(placement.siteId, siteId),
        eq(placement.active, 1),
        inArray(placement.state, ['live', 'out-of-date', 'altered', 'missing']),
        sql`${page.stands} is null`,
      ),
    )
    .limit(looks * 2);
  const pages = [...new Set([...seen, ...placed].map(({ pageId }) => pageId))].slice(0, looks);
  await insertMany(
    tx,
    inspectionPage,
    pages.map((pageId) => ({ inspectionId: id, pageId })),
  );
}

/** The next page at which a browser is to look; null where there is none. */
export async function nextPageOf(
  db: Handle,
  inspectionId: number,
): Promise<{ id: number; pageId: number; key: string } | null> {
  const [row] = await db
    .select({ id: inspectionPage.id, pageId: page.id, site: site.key, path: page.path })
    .from(inspectionPage)
    .innerJoin(page, eq(page.id, inspectionPage.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(and(eq(inspectionPage.inspectionId, inspectionId), eq(inspectionPage.state, 'waiting')))
    .orderBy(asc(inspectionPage.id))
    .limit(1);
  return row ? { id: row.id, pageId: row.pageId, key: `${row.site}/${row.path}` } : null;
}

/** Writes down what a look at a page has found. Call it in a transaction. */
export async function keepLookedAt(
  tx: Handle,
  { id, inspectionId }: { id: number; inspectionId: number },
  { look: taken, unknown, lost }: { look: string; unknown: number; lost: readonly NewLoss[] },
): Promise<void> {
  await tx
    .update(inspectionPage)
    .set({ state: 'looked', look: taken, unknown })
    .where(eq(inspectionPage.id, id));
  await keepLosses(tx, inspectionId, lost);
}

/** Writes down why a page could not be looked at. */
export const keepNotLookedAt = async (db: Handle, id: number, why: string): Promise<void> =>
  void (await db
    .update(inspectionPage)
    .set({ state: 'failed', why: why.slice(0, 300) })
    .where(eq(inspectionPage.id, id)));

/** A page at which a browser looks, and what became of that. */
export interface LookedAt {
  state: 'waiting' | 'looked' | 'failed';
  why: string | null;
  unknown: number;
  page: string;
}

/** The pages at which a browser looks for these inspections. */
export async function pagesLookedAt(
  db: Handle,
  inspectionIds: readonly number[],
): Promise<Map<number, LookedAt[]>> {
  const rows = await db
    .select({
      inspectionId: inspectionPage.inspectionId,
      ...{ state: inspectionPage.state, why: inspectionPage.why, unknown: inspectionPage.unknown },
      ...{ site: site.key, path: page.path },
    })
    .from(inspectionPage)
    .innerJoin(page, eq(page.id, inspectionPage.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(isOneOf(inspectionPage.inspectionId, inspectionIds))
    .orderBy(asc(inspectionPage.id));
  const found = rows.map(({ site: key, path, ...each }) => ({ ...each, page: `${key}/${path}` }));
  return groupBy(found, ({ inspectionId }) => inspectionId);
}

/** What works no longer, as it was found, with one row more where there is more. */
export async function listLosses(db: Handle, inspectionId: number, limit: number, after: string | undefined) {
  const from = afterId(after);
  return db
    .select({
      ...{ id: inspectionLoss.id, loss: inspectionLoss },
      embed: { key: embed.key, name: embed.name },
      ...{ site: { key: site.key }, page: { path: page.path }, spot: { name: spot.name } },
    })
    .from(inspectionLoss)
    .innerJoin(placement, eq(placement.id, inspectionLoss.placementId))
    .innerJoin(embed, eq(embed.id, placement.embedId))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(
      and(
        eq(inspectionLoss.inspectionId, inspectionId),
        from === null ? undefined : gt(inspectionLoss.id, from),
      ),
    )
    .orderBy(asc(inspectionLoss.id))
    .limit(limit + 1);
}
