import { and, desc, eq, exists, inArray, lt, or, sql, type SQL } from 'drizzle-orm';
import type { SearchTerm } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import type { EmbedRow } from './embeds.ts';
import { afterId } from './pages.ts';
import { embed, embedHost, embedTag, placement } from './schema.ts';
import { conditionOf, wordCondition } from './search.ts';

/** Whose embeds are meant: those that somebody collected, and those on some sites. */
export interface EmbedsOf {
  personId: number;
  /** By the ids of their rows. */
  sites: readonly number[];
}

/** What the collection is searched for; words must all be found, in name, notes or tags. */
export interface EmbedQuery {
  limit: number;
  after?: string | undefined;
  q?: string | undefined;
  kind?: string | undefined;
  tag?: string | undefined;
  host?: string | undefined;
  level?: 'error' | 'warning' | 'note' | undefined;
  provider?: string | undefined;
  /** A search in the search language, already read. */
  term?: SearchTerm | undefined;
  /** Nothing else is told of; null for everything. */
  of: EmbedsOf | null;
}

/** Embeds, the newest first, with one row more where there is more. */
export async function listEmbeds(db: Handle, query: EmbedQuery): Promise<EmbedRow[]> {
  const from = afterId(query.after);
  const conditions = filters(db, query);
  const isFiltered = conditions.some((condition) => condition !== undefined);
  if (query.of && !isFiltered) return rowsWith(db, await idsOf(db, query.of, query.limit, from));
  return db
    .select()
    .from(embed)
    .where(
      and(
        query.of ? isTheirs(db, query.of) : undefined,
        from === null ? undefined : lt(embed.id, from),
        ...conditions,
      ),
    )
    .orderBy(desc(embed.id))
    .limit(query.limit + 1);
}

/* Found by their ids, and put into their order here: the database might go through all there are for that. */
async function rowsWith(db: Handle, ids: readonly number[]): Promise<EmbedRow[]> {
  const rows = await db.select().from(embed).where(isOneOf(embed.id, ids));
  return rows.sort((a, b) => b.id - a.id);
}

const filters = (db: Handle, query: EmbedQuery): (SQL | undefined)[] => [
  query.kind ? eq(embed.kind, query.kind) : undefined,
  query.level ? eq(embed.level, query.level) : undefined,
  query.provider ? eq(embed.provider, query.provider) : undefined,
  query.host
    ? inArray(
        embed.id,
        db
          .select({ id: embedHost.embedId })
          .from(embedHost)
          .where(eq(embedHost.host, query.host.toLowerCase())),
      )
    : undefined,
  query.tag
    ? inArray(embed.id, db.select({ id: embedTag.embedId }).from(embedTag).where(eq(embedTag.tag, query.tag)))
    : undefined,
  ...(query.q ?? '').split(/\s+/).filter(Boolean).map(wordCondition),
  query.term ? conditionOf(query.term) : undefined,
];

const isTheirs = (db: Handle, { personId, sites }: EmbedsOf): SQL | undefined =>
  or(
    eq(embed.createdBy, personId),
    exists(
      db
        .select({ one: sql`1` })
        .from(placement)
        .where(and(inArray(placement.siteId, [...sites]), eq(placement.embedId, embed.id))),
    ),
  );

/* The newest of their embeds: of each site as many as a page has, from its index. */
async function idsOf(
  db: Handle,
  { personId, sites }: EmbedsOf,
  limit: number,
  before: number | null,
): Promise<number[]> {
  const below = before === null ? sql`` : sql`and id < ${before}`;
  // Of somebody who has collected nothing, the database would go through everything instead.
  const [own] = (await db.execute(
    sql`select id from ${embed} force index (embed_by) where created_by = ${personId} ${below} order by id desc limit ${limit + 1}`,
  )) as unknown as [{ id: number }[]];
  const ids = new Set(own.map(({ id }) => id));
  for (const site of sites) for (const id of await newestOn(db, site, limit + 1, before)) ids.add(id);
  return [...ids].sort((a, b) => b - a).slice(0, limit + 1);
}

/*
 * The newest embeds that are placed on a site. An embed may be placed there thousands of times: a look into
 * the index begins behind the last one that was found, and is short where it finds the same again and again.
 */
async function newestOn(db: Handle, site: number, most: number, before: number | null): Promise<number[]> {
  const found: number[] = [];
  let below = before ?? Number.MAX_SAFE_INTEGER;
  let atOnce = most;
  while (found.length < most) {
    const [rows] = (await db.execute(
      sql`select embed_id as id from ${placement} force index (placement_site_embed) where site_id = ${site} and embed_id < ${below} order by embed_id desc limit ${atOnce}`,
    )) as unknown as [{ id: number }[]];
    const ids = [...new Set(rows.map(({ id }) => id))];
    found.push(...ids);
    if (rows.length < atOnce) break;
    below = ids.at(-1)!;
    atOnce = ids.length * 4 < rows.length ? few : most;
  }
  return found.slice(0, most);
}
const few = 4;
