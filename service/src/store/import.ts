import { and, eq, inArray, like, or, type SQL } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import { searchableHosts, type Act, type NewRevision, type NewSource } from './embeds.ts';
import { keyFrom } from './ids.ts';
import { embed, embedHost, embedTag, revision, source } from './schema.ts';

/** An embed as it is put into the collection with many others. */
export interface NewEmbed extends NewSource {
  name: string;
  notes: string;
  tags: readonly string[];
  digest: string;
  revision: NewRevision;
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

/** Puts many embeds into the collection, each with its first source and revision; their keys, in the same order. Call it in a transaction. */
export async function insertEmbeds(tx: Handle, values: readonly NewEmbed[], { by, now }: Act): Promise<string[]> {
  const keys = await freeKeys(
    tx,
    values.map(({ name }) => keyFrom(name)),
  );
  const made = { createdAt: now, createdBy: by };
  for (const part of chunks(values.map((value, i) => ({ value, key: keys[i]! })))) {
    await tx
      .insert(embed)
      .values(part.map(({ value: { name, notes, kind, provider, level }, key }) => ({ key, name, notes, kind, provider, level, source: 1, revision: 1, changedAt: now, ...made })));
    const ids = await idsBy(
      tx,
      part.map(({ key }) => key),
    );
    await tx.insert(source).values(part.map(({ value: { pasted, base, found, digest }, key }) => ({ embedId: ids.get(key)!, number: 1, pasted, base, found, digest, ...made })));
    const sources = await tx
      .select({ id: source.id, embedId: source.embedId })
      .from(source)
      .where(inArray(source.embedId, [...ids.values()]));
    const sourceOf = new Map(sources.map(({ id, embedId }) => [embedId, id]));
    await tx
      .insert(revision)
      .values(
        part.map(({ value, key }) => ({ embedId: ids.get(key)!, number: 1, sourceId: sourceOf.get(ids.get(key)!)!, leftOut: [], isolation: {}, ...value.revision, ...made })),
      );
    const tags = part.flatMap(({ value, key }) => [...new Map(value.tags.map((tag) => [tag.toLowerCase(), tag])).values()].map((tag) => ({ embedId: ids.get(key)!, tag })));
    if (tags.length > 0) await tx.insert(embedTag).values(tags);
    const hosts = part.flatMap(({ value, key }) => searchableHosts(value.hosts).map((host) => ({ embedId: ids.get(key)!, host })));
    for (const some of chunks(hosts)) await tx.insert(embedHost).values(some);
  }
  return keys;
}

async function idsBy(tx: Handle, keys: readonly string[]): Promise<Map<string, number>> {
  const rows = await tx
    .select({ id: embed.id, key: embed.key })
    .from(embed)
    .where(inArray(embed.key, [...keys]));
  return new Map(rows.map(({ id, key }) => [key, id]));
}

/* A key for each, none of them there yet and no two the same. */
async function freeKeys(tx: Handle, wanted: readonly string[]): Promise<string[]> {
  const taken = new Set<string>();
  for (const part of chunks([...new Set(wanted)])) {
    const like_ = (key: string): SQL | undefined => or(eq(embed.key, key), like(embed.key, `${key}-%`));
    const rows = await tx
      .select({ key: embed.key })
      .from(embed)
      .where(or(...part.map(like_)));
    for (const { key } of rows) taken.add(key);
  }
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
