import { and, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import type { Sheet } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { prepared } from '../database/prepared.ts';
import type { Actor, StoredEmbed } from './embeds.ts';
import { embed, embedHost, providerSheet, revision, rule, source } from './schema.ts';

export type SheetRow = typeof providerSheet.$inferSelect;

/** The owner's own sheets, in alphabetical order. */
export const listSheets = (db: Handle): Promise<SheetRow[]> =>
  db.select().from(providerSheet).orderBy(providerSheet.sheetId);

export async function findSheet(db: Handle, sheetId: string): Promise<SheetRow | null> {
  const [row] = await db.select().from(providerSheet).where(eq(providerSheet.sheetId, sheetId));
  return row ?? null;
}

/** Keeps a sheet in the place of what was seen; false where somebody was faster. Call it in a transaction. */
export async function putSheet(
  tx: Handle,
  before: SheetRow | null,
  { sheet, text }: { sheet: Sheet; text: string },
  { by, now }: Actor,
): Promise<boolean> {
  const values = { sheet, text, changedAt: now };
  if (before === null) {
    await tx.insert(providerSheet).values({ sheetId: sheet.id, ...values, createdAt: now, createdBy: by });
    return true;
  }
  const [result] = await tx
    .update(providerSheet)
    .set({ ...values, version: before.version + 1 })
    .where(and(eq(providerSheet.id, before.id), eq(providerSheet.version, before.version)));
  return result.affectedRows === 1;
}

/** Takes a sheet away; false where somebody has changed it since. */
export async function deleteSheet(
  tx: Handle,
  { id, version }: Pick<SheetRow, 'id' | 'version'>,
): Promise<boolean> {
  const [result] = await tx
    .delete(providerSheet)
    .where(and(eq(providerSheet.id, id), eq(providerSheet.version, version)));
  return result.affectedRows === 1;
}

/** How many embeds in use are read with each of these sheets; of each no more than `most` are counted. */
export async function countEmbedsOf(
  db: Handle,
  sheetIds: readonly string[],
  most = Number.MAX_SAFE_INTEGER,
): Promise<Map<string, number>> {
  const counts = await Promise.all(
    sheetIds.map(async (sheetId) => {
      const found = await db
        .select({ id: embed.id })
        .from(embed)
        .where(and(eq(embed.provider, sheetId), isNull(embed.retiredAt)))
        .limit(most);
      return [sheetId, found.length] as const;
    }),
  );
  return new Map(counts);
}

/**
 * The embeds that a sheet can say something of: those that were saved with one of this id, those that contact
 * one of these hosts, and all of them for a sheet of files on anybody's host. Without those that are retired.
 */
export async function embedsTouchedBy(
  db: Handle,
  { id, hosts, anywhere }: { id: string; hosts: readonly string[]; anywhere: boolean },
): Promise<StoredEmbed[]> {
  const byHost =
    hosts.length > 0
      ? inArray(
          embed.id,
          db
            .select({ id: embedHost.embedId })
            .from(embedHost)
            .where(inArray(embedHost.host, [...hosts])),
        )
      : undefined;
  return db
    .select({ embed, source, revision })
    .from(embed)
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .where(
      and(
        isNull(embed.retiredAt),
        anywhere ? undefined : or(eq(revision.sheetId, id), eq(embed.provider, id), byHost),
      ),
    )
    .orderBy(embed.id);
}

/** What tells whether any sheet or rule has changed since. */
export async function sheetRegistryState(db: Handle): Promise<string> {
  const [row] = await registryState(db).execute();
  return `${row!.sheets} ${row!.rules}`;
}

const registryState = prepared((db) =>
  db
    .select({
      sheets: sql<string>`(select concat(count(*), ':', coalesce(sum(crc32(concat(${providerSheet.id}, ':', ${providerSheet.version}))), 0)) from ${providerSheet})`,
      rules: sql<string>`coalesce((select max(${rule.version}) from ${rule}), 0)`,
    })
    .from(sql`(select 1) as one`)
    .prepare(),
);
