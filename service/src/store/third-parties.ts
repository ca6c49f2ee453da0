import { and, eq, isNull, sql } from 'drizzle-orm';
import type { KindDefaults, Options } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { chunks } from './chunks.ts';
import { groupBy } from './group.ts';
import { isOneOf } from './one-of.ts';
import { embed, embedHost, placement, revision, site } from './schema.ts';

/** How an embed is placed on a site, as far as it matters when it loads. */
export interface PlacedUse {
  embedId: number;
  site: string;
  defaults: KindDefaults;
  /** What is asked at the place itself. */
  load: string | null;
  places: number;
}

/** The uses of all embeds, on one site or on all: one for each embed, site and time of loading. */
export const placedUses = (db: Handle, siteId: number | null): Promise<PlacedUse[]> => {
  const load = sql<string | null>`json_value(${placement.options}, '$.load')`;
  return db
    .select({
      embedId: placement.embedId,
      site: site.key,
      defaults: site.defaults,
      load: load.as('own_load'),
      places: sql<number>`count(*)`.mapWith(Number),
    })
    .from(placement)
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(
      and(
        eq(placement.active, 1),
        isNull(placement.pausedAt),
        siteId === null ? undefined : eq(placement.siteId, siteId),
      ),
    )
    .groupBy(placement.embedId, placement.siteId, load);
};

/** What of an embed matters for whom it contacts. */
export interface ContactingEmbed {
  id: number;
  kind: string;
  provider: string | null;
  options: Options;
  hosts: string[];
}

/** These embeds, without those that are retired. */
export async function contactingEmbeds(db: Handle, ids: readonly number[]): Promise<ContactingEmbed[]> {
  const out: ContactingEmbed[] = [];
  for (const part of chunks(ids)) {
    const rows = await db
      .select({ id: embed.id, kind: embed.kind, provider: embed.provider, options: revision.options })
      .from(embed)
      .innerJoin(revision, and(eq(revision.embedId, embed.id), eq(revision.number, embed.revision)))
      .where(and(isOneOf(embed.id, part), isNull(embed.retiredAt)));
    const hosts = groupBy(
      await db.select().from(embedHost).where(isOneOf(embedHost.embedId, part)),
      ({ embedId }) => embedId,
    );
    for (const row of rows) out.push({ ...row, hosts: (hosts.get(row.id) ?? []).map(({ host }) => host) });
  }
  return out;
}
