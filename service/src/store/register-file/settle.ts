import { and, eq, isNull, or, sql } from 'drizzle-orm';
import type { Handle } from '../../database/connect.ts';
import {
  delivery,
  embed,
  oembedEndpoint,
  page,
  placement,
  preset,
  providerSheet,
  revision,
  site,
  source,
  spot,
} from '../schema.ts';

/** Whether nothing is kept yet that a register file brings. Call it in a transaction. */
export async function isEmpty(tx: Handle): Promise<boolean> {
  for (const table of [site, embed, preset, providerSheet, oembedEndpoint])
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
  for (const [column, table] of [
    ['source', source],
    ['revision', revision],
  ] as const)
    await tx.execute(
      sql`update ${embed} join (select embed_id, max(number) as newest from ${table} group by embed_id) as last on last.embed_id = ${embed.id} set ${embed[column]} = last.newest`,
    );
  await tx.execute(
    sql`update ${placement} join (select placement_id, max(number) as newest from ${delivery} group by placement_id) as last on last.placement_id = ${placement.id} set ${placement.issued} = last.newest`,
  );
  for (const [table, column] of [
    [embed, placement.embedId],
    [spot, placement.spotId],
  ] as const)
    await tx.update(table).set({
      placements: sql`(select count(*) from ${placement} where ${column} = ${table.id} and ${eq(placement.active, 1)})`,
    });
  await tx.update(site).set({ pages: sql`(select count(*) from ${page} where ${page.siteId} = ${site.id})` });
}
