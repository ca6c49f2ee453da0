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
  const theirs =
    query.of && (isFiltered ? isTheirs(db, query.of) : await idsOf(db, query.of, query.limit, from));
  return db
    .select()
    .from(embed)
    .where(and(theirs ?? undefined, from === null ? undefined : lt(embed.id, from), ...conditions))
    .orderBy(desc(embed.id))
    .limit(query.limit + 1);
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

/* The newest of their embeds: of each site as many as a page has, from its index, however often each of them
   is placed there. */
async function idsOf(
  db: Handle,
  { personId, sites }: EmbedsOf,
  limit: number,
  before: number | null,
): Promise<SQL> {
  const own = await db
    .select({ id: embed.id })
    .from(embed)
    .where(and(eq(embed.createdBy, personId), before === null ? undefined : lt(embed.id, before)))
    .orderBy(desc(embed.id))
    .limit(limit + 1);
  const ids = new Set(own.map(({ id }) => id));
  for (const site of sites) for (const id of await newestOn(db, site, limit + 1, before)) ids.add(id);
  return isOneOf(embed.id, [...ids].sort((a, b) => b - a).slice(0, limit + 1));
}

/* Each step finds the next lower id in the index: MariaDB would read a row for each placement otherwise. */
async function newestOn(db: Handle, site: number, most: number, before: number | null): Promise<number[]> {
  const below = before === null ? sql`` : sql`and p.embed_id < ${before}`;
  const [rows] = (await db.execute(
    sql`with recursive newest (id, number) as (
      select max(p.embed_id), 1 from ${placement} p where p.site_id = ${site} ${below}
      union all
      select (select max(p.embed_id) from ${placement} p where p.site_id = ${site} and p.embed_id < newest.id),
        number + 1
      from newest where newest.id is not null and number < ${most}
    ) select id from newest where id is not null`,
  )) as unknown as [{ id: number }[]];
  return rows.map(({ id }) => Number(id));
}
