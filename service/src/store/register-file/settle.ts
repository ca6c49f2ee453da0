import { and, between, eq, isNull, max, or, sql, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import type { Handle } from '../../database/connect.ts';
import {
  changeList,
  changeListPage,
  delivery,
  embed,
  oembedEndpoint,
  page,
  placement,
  preset,
  providerSheet,
  revision,
  savedSearch,
  site,
  source,
  spot,
  terms,
} from '../schema.ts';

/** Whether nothing is kept yet that a register file brings. Call it in a transaction. */
export async function isEmpty(tx: Handle): Promise<boolean> {
  for (const table of [site, embed, terms, preset, savedSearch, providerSheet, oembedEndpoint])
    if ((await tx.select({ id: table.id }).from(table).limit(1)).length > 0) return false;
  return true;
}

/** An embed that has no code or no revision, by its key; null where none is like that. */
export async function bareEmbed(tx: Handle): Promise<string | null> {
  const [row] = await tx
    .select({ key: embed.key })
    .from(embed)
    .leftJoin(source, and(eq(source.embedId, embed.id), eq(source.number, embed.source)))
    .leftJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .where(or(isNull(source.id), isNull(revision.id)))
    .limit(1);
  return row?.key ?? null;
}

/** What follows from all rows together: the newest numbers, and what is counted. Call it in a transaction. */
export async function settleRegister(tx: Handle): Promise<void> {
  await byRanges(tx, embed, (range) =>
    tx
      .update(embed)
      .set({
        source: sql`coalesce((select max(${source.number}) from ${source} where ${source.embedId} = ${embed.id}), 1)`,
        revision: sql`coalesce((select max(${revision.number}) from ${revision} where ${revision.embedId} = ${embed.id}), 1)`,
        placements: placed(placement.embedId, embed.id),
      })
      .where(range),
  );
  await byRanges(tx, spot, (range) =>
    tx
      .update(spot)
      .set({ placements: placed(placement.spotId, spot.id) })
      .where(range),
  );
  await byRanges(tx, placement, (range) =>
    tx
      .update(placement)
      .set({
        issued: sql`(select max(${delivery.number}) from ${delivery} where ${delivery.placementId} = ${placement.id})`,
      })
      .where(range),
  );
  await byRanges(tx, site, (range) =>
    tx
      .update(site)
      .set({
        pages: sql`(select count(*) from ${page} where ${page.siteId} = ${site.id} and ${page.goneAt} is null and ${page.stands} is null)`,
      })
      .where(range),
  );
  await countListed(tx);
}

/* How many pages a change list has, and how many of them are ticked: there are few lists. */
async function countListed(tx: Handle): Promise<void> {
  const own = sql`from ${changeListPage} where ${changeListPage.listId} = ${changeList.id}`;
  await tx.update(changeList).set({
    pages: sql`(select count(*) ${own})`,
    ticked: sql`(select count(*) ${own} and ${changeListPage.tickedAt} is not null)`,
  });
}

/* How many placements there are that are not ended. */
const placed = (of: MySqlColumn, id: MySqlColumn): SQL =>
  sql`(select count(*) from ${placement} where ${of} = ${id} and ${placement.active} = 1)`;

/* So many rows are settled at once: a statement has its time, however large the register is. */
const together = 5000;

/* Ids are given one after the other, so ranges of them are about as full as they are long. */
async function byRanges(
  tx: Handle,
  table: typeof embed | typeof spot | typeof placement | typeof site,
  settle: (range: SQL) => Promise<unknown>,
): Promise<void> {
  const [row] = await tx.select({ last: max(table.id) }).from(table);
  for (let from = 1; from <= (row?.last ?? 0); from += together)
    await settle(between(table.id, from, from + together - 1));
}
