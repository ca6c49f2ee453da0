import { and, asc, desc, eq, inArray, like, lt, ne, or, sql } from 'drizzle-orm';
import type { Options } from '@orbis/core';
import { OrbisError, type Found } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { Act } from './act.ts';
import { digest } from '../digest.ts';
import { keyFrom } from './ids.ts';
import { isOneOf } from './one-of.ts';
import { chunks } from './chunks.ts';
import {
  changeItem,
  embed,
  embedHost,
  embedPicture,
  embedTag,
  harvestItem,
  revision,
  source,
} from './schema.ts';
import { afterId } from './pages.ts';
import { markEmbeds } from './mark-stale.ts';
import { forgetResources } from './resources.ts';

export type EmbedRow = typeof embed.$inferSelect;
export type RevisionRow = typeof revision.$inferSelect;
export type SourceRow = typeof source.$inferSelect;

/** An embed with its newest revision, and the source that it is made of. */
export interface StoredEmbed {
  embed: EmbedRow;
  source: SourceRow;
  revision: RevisionRow;
}

export interface NewRevision {
  options: Options;
  sheetId: string | null;
  sheetDigest: string | null;
  reason: string;
}

/** Whoever does it, and when. */
export interface Actor {
  by: number;
  now: Date;
  /** The call by which it is done; none of what nobody asked for by the interface. */
  act?: Act;
}

export async function findEmbed(db: Handle, key: string): Promise<StoredEmbed | null> {
  const [row] = await db
    .select({ embed, source, revision })
    .from(embed)
    .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
    .innerJoin(source, eq(source.id, revision.sourceId))
    .where(eq(embed.key, key));
  return row ?? null;
}

/** The first other embed whose newest code is the same text, by its key. */
export async function embedOfSameCode(db: Handle, embedId: number, digest: string): Promise<string | null> {
  const [row] = await db
    .select({ key: embed.key })
    .from(source)
    .innerJoin(embed, and(eq(embed.id, source.embedId), eq(embed.source, source.number)))
    .where(and(eq(source.digest, digest), ne(source.embedId, embedId)))
    // In the order of the index: however many hold it, one is read.
    .orderBy(asc(source.id))
    .limit(1);
  return row?.key ?? null;
}

/** What was pasted, with the summary of its reading. */
export interface NewSource {
  kind: string;
  provider: string | null;
  level: EmbedRow['level'];
  hosts: readonly string[];
  pasted: string;
  base: string;
  found: Found | null;
}

/** What an embed begins with, beside its code. */
export interface NewDetails {
  name: string;
  /** Asked for; without it, made of the name. */
  key?: string | undefined;
  notes: string;
  tags: readonly string[];
  revision: NewRevision;
}

/** Puts an embed into the collection, with its first source and revision. Call it in a transaction. */
export async function insertEmbed(
  tx: Handle,
  values: NewSource & NewDetails,
  { by, now }: Actor,
): Promise<Pick<EmbedRow, 'id' | 'key'>> {
  const { name, notes, kind, provider, level } = values;
  const key = values.key ?? (await freeKey(tx, keyFrom(name, kind)));
  const made = { createdAt: now, createdBy: by };
  const [{ insertId }] = await tx
    .insert(embed)
    .values({ key, name, notes, kind, provider, level, source: 1, revision: 1, changedAt: now, ...made });
  const [{ insertId: sourceId }] = await tx.insert(source).values({
    embedId: insertId,
    number: 1,
    pasted: values.pasted,
    base: values.base,
    found: values.found,
    digest: digest(values.base),
    ...made,
  });
  await tx
    .insert(revision)
    .values({ embedId: insertId, number: 1, sourceId, leftOut: [], ...values.revision, ...made });
  await setTags(tx, insertId, values.tags);
  await setHosts(tx, insertId, values.hosts);
  return { id: insertId, key };
}

/** An embed’s row by its id; locked. Call it in a transaction. */
export async function embedById(tx: Handle, id: number): Promise<EmbedRow> {
  const [row] = await tx.select().from(embed).where(eq(embed.id, id)).for('update');
  return row!;
}

/**
 * Takes embeds that were never placed out of the collection, with their codes and revisions and all that
 * names them. Call it in a transaction.
 */
export async function deleteEmbeds(tx: Handle, ids: readonly number[]): Promise<void> {
  for (const part of chunks(ids)) {
    await tx.update(harvestItem).set({ takenEmbedId: null }).where(isOneOf(harvestItem.takenEmbedId, part));
    await tx.update(harvestItem).set({ markedEmbedId: null }).where(isOneOf(harvestItem.markedEmbedId, part));
    await forgetResources(tx, part);
    for (const table of [changeItem, embedTag, embedHost, embedPicture, revision, source])
      await tx.delete(table).where(isOneOf(table.embedId, part));
    await tx.delete(embed).where(isOneOf(embed.id, part));
  }
}

/* The unique key decides in the end; two that collect the same name at once make one of them try again. */
async function freeKey(tx: Handle, wanted: string): Promise<string> {
  const taken = new Set(
    (
      await tx
        .select({ key: embed.key })
        .from(embed)
        .where(or(eq(embed.key, wanted), like(embed.key, `${wanted}-%`)))
    ).map((row) => row.key),
  );
  if (!taken.has(wanted)) return wanted;
  for (let n = 2; ; n++) if (!taken.has(`${wanted}-${n}`)) return `${wanted}-${n}`;
}

export async function setTags(tx: Handle, embedId: number, tags: readonly string[]): Promise<void> {
  await tx.delete(embedTag).where(eq(embedTag.embedId, embedId));
  const own = [...new Map(tags.map((tag) => [tag.toLowerCase(), tag])).values()];
  if (own.length > 0) await tx.insert(embedTag).values(own.map((tag) => ({ embedId, tag })));
}

/** The hosts that can be searched for: plain ASCII names, each once. */
export const searchableHosts = (hosts: readonly string[]): string[] =>
  [...new Set(hosts)].filter((host) => host.length <= 253 && /^[\x21-\x7e]+$/.test(host)).slice(0, 500);

/**
 * Writes down which hosts an embed's code contacts. Hosts that are no plain ASCII
 * names are left out of the search.
 */
async function setHosts(tx: Handle, embedId: number, hosts: readonly string[]): Promise<void> {
  await tx.delete(embedHost).where(eq(embedHost.embedId, embedId));
  const own = searchableHosts(hosts);
  if (own.length > 0) await tx.insert(embedHost).values(own.map((host) => ({ embedId, host })));
}

export async function tagsOf(db: Handle, embedIds: readonly number[]): Promise<Map<number, string[]>> {
  const out = new Map<number, string[]>(embedIds.map((id) => [id, []]));
  if (embedIds.length === 0) return out;
  const rows = await db
    .select()
    .from(embedTag)
    .where(inArray(embedTag.embedId, [...embedIds]))
    .orderBy(embedTag.tag);
  for (const { embedId, tag } of rows) out.get(embedId)?.push(tag);
  return out;
}

/** How many placements each of these embeds has that are not ended. */
export async function placementCounts(db: Handle, embedIds: readonly number[]): Promise<Map<number, number>> {
  if (embedIds.length === 0) return new Map();
  const rows = await db
    .select({ id: embed.id, placements: embed.placements })
    .from(embed)
    .where(isOneOf(embed.id, embedIds));
  return new Map(rows.map(({ id, placements }) => [id, placements]));
}

/**
 * Changes an embed's row if it still is in the version that the caller saw; false where it is not.
 * @throws OrbisError `embed-purged`
 */
export async function changeEmbed(
  tx: Handle,
  row: Pick<EmbedRow, 'id' | 'key' | 'version' | 'purgedAt'>,
  values: Partial<EmbedRow>,
  now: Date,
): Promise<boolean> {
  if (row.purgedAt !== null) throw new OrbisError('embed-purged', { embed: row.key });
  const [result] = await tx
    .update(embed)
    .set({
      ...values,
      version: row.version + 1,
      changedAt: now,
      // What it loads may be otherwise.
      ...(values.revision !== undefined && { resourcesAt: null }),
    })
    .where(and(eq(embed.id, row.id), eq(embed.version, row.version)));
  return result.affectedRows === 1;
}

/** Adds the next revision; false where the embed has changed since. Call it in a transaction. */
export async function addRevision(
  tx: Handle,
  stored: StoredEmbed,
  values: NewRevision,
  { by, now }: Actor,
): Promise<boolean> {
  const number = stored.embed.revision + 1;
  if (!(await changeEmbed(tx, stored.embed, { revision: number }, now))) return false;
  await tx.insert(revision).values({
    embedId: stored.embed.id,
    number,
    sourceId: stored.source.id,
    leftOut: [],
    ...values,
    createdAt: now,
    createdBy: by,
  });
  await markEmbeds(tx, [stored.embed.id]);
  return true;
}

/**
 * Adds a newer source with the revision that is made of it; false where the embed has changed since. Call it
 * in a transaction.
 */
export async function addSource(
  tx: Handle,
  stored: StoredEmbed,
  summary: NewSource,
  values: NewRevision,
  { by, now }: Actor,
): Promise<boolean> {
  const { pasted, base, found } = summary;
  const [{ newest } = { newest: 0 }] = await tx
    .select({ newest: sql<number>`max(${source.number})` })
    .from(source)
    .where(eq(source.embedId, stored.embed.id));
  const number = newest + 1;
  // The unique number of a source decides between two that come at once, but the row
  // of the embed is locked first.
  if (!(await summarise(tx, stored, summary, number, now))) return false;
  const made = { createdAt: now, createdBy: by };
  const [{ insertId: sourceId }] = await tx
    .insert(source)
    .values({ embedId: stored.embed.id, number, pasted, base, found, digest: digest(base), ...made });
  await tx.insert(revision).values({
    embedId: stored.embed.id,
    number: stored.embed.revision + 1,
    sourceId,
    leftOut: [],
    ...values,
    ...made,
  });
  await markEmbeds(tx, [stored.embed.id]);
  return true;
}

/**
 * Makes a new revision equal to an earlier one, with its source; false where the embed has changed since.
 * Call it in a transaction.
 */
export async function restoreRevision(
  tx: Handle,
  stored: StoredEmbed,
  earlier: RevisionRow,
  from: SourceRow,
  summary: NewSource,
  { by, now }: Actor,
): Promise<boolean> {
  if (!(await summarise(tx, stored, summary, from.number, now))) return false;
  const { leftOut, options, sheetId, sheetDigest, sourceId } = earlier;
  const number = stored.embed.revision + 1;
  const reason = `revision ${earlier.number} again`;
  await tx.insert(revision).values({
    embedId: stored.embed.id,
    number,
    sourceId,
    leftOut,
    options,
    sheetId,
    sheetDigest,
    reason,
    createdAt: now,
    createdBy: by,
  });
  await markEmbeds(tx, [stored.embed.id]);
  return true;
}

/**
 * Writes down what the collection is searched for, where an embed is read differently now; no
 * change that anybody made.
 */
export async function resummarise(
  tx: Handle,
  row: EmbedRow,
  { kind, provider, level }: NewSource,
): Promise<void> {
  if (row.kind === kind && row.provider === provider && row.level === level) return;
  await tx.update(embed).set({ kind, provider, level }).where(eq(embed.id, row.id));
}

/* The embed's row says of its newest revision what the collection is searched for. */
async function summarise(
  tx: Handle,
  { embed: row }: StoredEmbed,
  { kind, provider, level, hosts }: NewSource,
  source: number,
  now: Date,
): Promise<boolean> {
  if (!(await changeEmbed(tx, row, { kind, provider, level, source, revision: row.revision + 1 }, now)))
    return false;
  await setHosts(tx, row.id, hosts);
  return true;
}

/** The source that a revision is made of. */
export async function sourceOf(db: Handle, { sourceId }: Pick<RevisionRow, 'sourceId'>): Promise<SourceRow> {
  const [row] = await db.select().from(source).where(eq(source.id, sourceId));
  return row!;
}

export async function listRevisions(
  db: Handle,
  embedId: number,
  limit: number,
  after: string | undefined,
): Promise<RevisionRow[]> {
  const from = afterId(after);
  return db
    .select()
    .from(revision)
    .where(and(eq(revision.embedId, embedId), from === null ? undefined : lt(revision.id, from)))
    .orderBy(desc(revision.id))
    .limit(limit + 1);
}

export async function findRevision(db: Handle, embedId: number, number: number): Promise<RevisionRow | null> {
  const [row] = await db
    .select()
    .from(revision)
    .where(and(eq(revision.embedId, embedId), eq(revision.number, number)));
  return row ?? null;
}

/** The numbers of sources by their rows' ids. */
export async function sourceNumbers(db: Handle, embedId: number): Promise<Map<number, number>> {
  const rows = await db
    .select({ id: source.id, number: source.number })
    .from(source)
    .where(eq(source.embedId, embedId));
  return new Map(rows.map(({ id, number }) => [id, number]));
}

/** Keeps how many bytes browsers load for an embed, and of which revision: that is no change of it. */
export const keepWeight = (
  db: Handle,
  id: number,
  weighed: Pick<EmbedRow, 'weighedBytes' | 'weighedRevision'>,
): Promise<unknown> => db.update(embed).set(weighed).where(eq(embed.id, id));
