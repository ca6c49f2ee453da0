import { and, asc, eq, gt, isNotNull, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { page, placement, siteMarking } from './schema.ts';

/*
 * What would be handed out on a page depends on its embeds, its site, the blocks that it shows and the rules
 * for all. Whoever
 * changes one of them says so here, in the transaction that does; the pages are planned again when
 * somebody asks, or by the job. Where that is about many placements, the transaction writes down the sites
 * alone, and they are marked piece by piece: a change answers in the same time however large a site is.
 */

/* So many placements are marked in the transaction of a change, and so many in one piece later. */
const [atOnce, together] = [500, 2000];

const mark = (tx: Handle, where: SQL | undefined): Promise<unknown> =>
  tx
    .update(placement)
    .set({ stale: 'yes', inputs: sql`${placement.inputs} + 1` })
    .where(and(eq(placement.active, 1), where));

/** Something changed on a page itself, or in a block: then also for the pages around it. */
export async function markPage(tx: Handle, pageId: number): Promise<void> {
  await mark(tx, eq(placement.pageId, pageId));
  await markAroundBlocks(tx, [pageId]);
}

/* What is in a block is so for every page that shows it; which these are changes with every sweep. */
async function markAroundBlocks(tx: Handle, pageIds: readonly number[]): Promise<void> {
  const sites = await tx
    .selectDistinct({ id: page.siteId })
    .from(page)
    .where(and(isOneOf(page.id, pageIds), isNotNull(page.stands)));
  for (const { id } of sites) await markSite(tx, id);
}

/** Something changed that holds for every page of a site. */
export async function markSite(tx: Handle, siteId: number): Promise<void> {
  const where = eq(placement.siteId, siteId);
  if (await isMany(tx, where)) await beginMarking(tx, sql`${siteId}`);
  else await mark(tx, where);
}

/** Something changed that holds for all pages. */
export async function markAll(tx: Handle): Promise<void> {
  if (await isMany(tx, undefined)) await beginMarking(tx, sql`id from site`);
  else await mark(tx, undefined);
}

/** What could not be planned is tried once more. */
export async function markFailed(tx: Handle): Promise<void> {
  await tx.update(placement).set({ stale: 'yes' }).where(eq(placement.stale, 'failed'));
}

/** These embeds come out differently: so may their neighbours on every page that they are on. */
export async function markEmbeds(tx: Handle, embedIds: readonly number[]): Promise<void> {
  const where = isOneOf(placement.embedId, embedIds);
  if (await isMany(tx, where))
    return beginMarking(
      tx,
      sql`distinct site_id from ${placement} where ${and(eq(placement.active, 1), where)}`,
    );
  const pages = await tx
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .where(and(where, eq(placement.active, 1)));
  if (pages.length === 0) return;
  const ids = pages.map(({ id }) => id);
  await mark(tx, isOneOf(placement.pageId, ids));
  await markAroundBlocks(tx, ids);
}

async function isMany(tx: Handle, where: SQL | undefined): Promise<boolean> {
  const found = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.active, 1), where))
    .limit(atOnce + 1);
  return found.length > atOnce;
}

/* Whatever is being marked begins anew: what was marked may have been planned since. */
const beginMarking = async (tx: Handle, sites: SQL): Promise<void> =>
  void (await tx.execute(sql`
    insert into ${siteMarking} (site_id) select ${sites} on duplicate key update up_to = 0`));

/**
 * Marks the next piece of a site whose placements are to be marked; false where there is none. Call it in a
 * transaction.
 */
export async function markNext(tx: Handle): Promise<boolean> {
  const [next] = await tx.select().from(siteMarking).orderBy(asc(siteMarking.siteId)).limit(1).for('update');
  if (!next) return false;
  const found = await tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.siteId, next.siteId), eq(placement.active, 1), gt(placement.id, next.upTo)))
    .orderBy(asc(placement.id))
    .limit(together);
  const ids = found.map(({ id }) => id);
  if (ids.length > 0) await mark(tx, isOneOf(placement.id, ids));
  const of = eq(siteMarking.siteId, next.siteId);
  if (ids.length < together) await tx.delete(siteMarking).where(of);
  else
    await tx
      .update(siteMarking)
      .set({ upTo: ids.at(-1)! })
      .where(of);
  return true;
}

/**
 * The sites whose placements are being marked, each with the last one that is: those behind it are to be
 * planned as well.
 */
export async function markedUpTo(db: Handle): Promise<ReadonlyMap<number, number>> {
  const rows = await db.select().from(siteMarking);
  return new Map(rows.map(({ siteId, upTo }) => [siteId, upTo]));
}
