import { and, eq, inArray, like, or, sql, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import {
  searchableHosts,
  type Actor,
  type EmbedRow,
  type NewDetails,
  type NewRevision,
  type NewSource,
} from './embeds.ts';
import { groupBy } from './group.ts';
import { insertMany } from './insert-many.ts';
import { isOneOf } from './one-of.ts';
import { keyFrom } from './ids.ts';
import { embed, embedHost, embedTag, revision, source } from './schema.ts';

/** An embed as it is put into the collection with many others. */
export interface NewEmbed extends NewSource, Omit<NewDetails, 'key'> {
  digest: string;
}

/** The keys of embeds that have codes of these digests as their newest source. */
export async function embedsOfDigests(db: Handle, digests: readonly string[]): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  for (const part of chunks(digests)) {
    const rows = await db
      .select({ digest: source.digest, key: embed.key })
      .from(source)
      .innerJoin(embed, and(eq(embed.id, source.embedId), eq(embed.source, source.number)))
      .where(inArray(source.digest, part));
    for (const { digest, key } of rows) if (!found.has(digest)) found.set(digest, key);
  }
  return found;
}

/**
 * Puts many embeds into the collection, each with its first source and revision; their keys and ids, in the
 * same order. Call it in a transaction.
 */
export async function insertEmbeds(
  tx: Handle,
  values: readonly NewEmbed[],
  { by, now }: Actor,
): Promise<Pick<EmbedRow, 'id' | 'key'>[]> {
  const keys = await freeKeys(
    tx,
    values.map(({ name, kind }) => keyFrom(name, kind)),
  );
  const made = { createdAt: now, createdBy: by };
  await insertMany(
    tx,
    embed,
    values.map(({ name, notes, kind, provider, level }, i) => ({
      key: keys[i]!,
      name,
      notes,
      kind,
      provider,
      level,
      source: 1,
      revision: 1,
      changedAt: now,
      ...made,
    })),
  );
  const ids = await idsBy(tx, keys);
  const idOf = (i: number): number => ids.get(keys[i]!)!;
  await insertMany(
    tx,
    source,
    values.map(({ pasted, base, found, digest }, i) => ({
      embedId: idOf(i),
      number: 1,
      pasted,
      base,
      found,
      digest,
      ...made,
    })),
  );
  // Nearly all begin with the same revision: where their sources are, the server knows best.
  const same = groupBy(
    values.map(({ revision: first }, i) => ({ first, id: idOf(i) })),
    ({ first }) => JSON.stringify(first),
  );
  for (const group of same.values())
    for (const part of chunks(group))
      await insertFirstRevisions(
        tx,
        part[0]!.first,
        part.map(({ id }) => id),
        { by, now },
      );
  await insertTags(tx, values, idOf);
  await insertHosts(tx, values, idOf);
  return keys.map((key, i) => ({ key, id: idOf(i) }));
}

const insertTags = (tx: Handle, values: readonly NewEmbed[], idOf: (i: number) => number): Promise<void> =>
  insertMany(
    tx,
    embedTag,
    values.flatMap(({ tags }, i) =>
      [...new Map(tags.map((tag) => [tag.toLowerCase(), tag])).values()].map((tag) => ({
        embedId: idOf(i),
        tag,
      })),
    ),
  );

const insertHosts = (tx: Handle, values: readonly NewEmbed[], idOf: (i: number) => number): Promise<void> =>
  insertMany(
    tx,
    embedHost,
    values.flatMap(({ hosts }, i) => searchableHosts(hosts).map((host) => ({ embedId: idOf(i), host }))),
  );

/* One and the same first revision, for each of these embeds with its one source. */
async function insertFirstRevisions(
  tx: Handle,
  { options, sheetId, sheetDigest, reason }: NewRevision,
  embedIds: readonly number[],
  { by, now }: Actor,
): Promise<void> {
  const row = tx
    .select({
      embedId: source.embedId,
      number: sql`1`.as('number'),
      sourceId: source.id,
      leftOut: sql`${JSON.stringify([])}`.as('left_out'),
      options: sql`${JSON.stringify(options)}`.as('options'),
      sheetId: sql`${sheetId}`.as('sheet_id'),
      sheetDigest: sql`${sheetDigest}`.as('sheet_digest'),
      reason: sql`${reason}`.as('reason'),
      createdAt: sql`${revision.createdAt.mapToDriverValue(now)}`.as('created_at'),
      createdBy: sql`${by}`.as('created_by'),
    })
    .from(source)
    .where(isOneOf(source.embedId, embedIds));
  await tx.execute(
    sql`insert into ${revision} (embed_id, number, source_id, left_out, options, sheet_id, sheet_digest, reason, created_at, created_by) ${row}`,
  );
}

async function idsBy(tx: Handle, keys: readonly string[]): Promise<Map<string, number>> {
  const ids = new Map<string, number>();
  for (const part of chunks(keys))
    for (const { id, key } of await tx
      .select({ id: embed.id, key: embed.key })
      .from(embed)
      .where(inArray(embed.key, part)))
      ids.set(key, id);
  return ids;
}

/* A key for each, none of them there yet and no two the same. */
async function freeKeys(tx: Handle, wanted: readonly string[]): Promise<string[]> {
  const taken = new Set<string>();
  const read = async (
    conditionOf: (key: string) => SQL | undefined,
    keys: readonly string[],
  ): Promise<void> => {
    for (const part of chunks(keys))
      for (const { key } of await tx
        .select({ key: embed.key })
        .from(embed)
        .where(or(...part.map(conditionOf))))
        taken.add(key);
  };
  const different = new Set(wanted);
  for (const part of chunks([...different]))
    for (const { key } of await tx.select({ key: embed.key }).from(embed).where(inArray(embed.key, part)))
      taken.add(key);
  // Numbers are put behind those only that are there already, or wanted twice.
  const seen = new Set<string>();
  const numbered = new Set(wanted.filter((key) => taken.has(key) || seen.size === seen.add(key).size));
  await read((key) => like(embed.key, `${key}-%`), [...numbered]);
  const next = new Map<string, number>();
  return wanted.map((key) => {
    let free = key;
    for (let n = next.get(key) ?? 2; taken.has(free); n++) {
      free = `${key}-${n}`;
      next.set(key, n + 1);
    }
    taken.add(free);
    return free;
  });
}
