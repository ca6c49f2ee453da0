import { and, desc, eq, like, lt, or, type SQL } from 'drizzle-orm';
import type { FindingList } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import type { FindingRow } from './findings.ts';
import { isOneOf } from './one-of.ts';
import { embed, finding, findingAt, page, placement, site, spot, sweptHost } from './schema.ts';
import { alias } from 'drizzle-orm/mysql-core';

/** A finding with all that is said of what it is about. */
export interface ShownFinding {
  finding: FindingRow;
  site: Pick<typeof site.$inferSelect, 'key' | 'name' | 'address'> | null;
  page: Pick<typeof page.$inferSelect, 'path' | 'under' | 'checkedAt'> | null;
  placed: { id: string; embed: string; name: string; path: string; spot: string } | null;
  /** The embed that it is about, where it is about no placement. */
  embed: Pick<typeof embed.$inferSelect, 'key' | 'name'> | null;
  /** The host that it is about. */
  host: string | null;
}

export interface FindingFilter {
  list: FindingList;
  siteId?: number | undefined;
  rule?: string | undefined;
}

/* Digits that say where a page of the list ends: the rank, and then the id. */
const cursorOf = ({ rank, id }: Pick<FindingRow, 'rank' | 'id'>): string => `${rank}${id}`;

/** A page of a list, the worst first, then the newest; it comes from one index. */
export async function listFindings(
  db: Handle,
  { list, siteId, rule }: FindingFilter,
  limit: number,
  after: string | undefined,
): Promise<{ items: ShownFinding[]; next: string | null }> {
  const rows = await db
    .select({ id: finding.id, rank: finding.rank })
    .from(finding)
    .where(
      and(
        siteId === undefined ? undefined : eq(finding.siteId, siteId),
        rule === undefined ? undefined : eq(finding.rule, rule),
        eq(finding.list, list),
        behind(after),
      ),
    )
    .orderBy(desc(finding.rank), desc(finding.id))
    .limit(limit + 1);
  const kept = rows.slice(0, limit);
  return {
    items: await shownFindings(
      db,
      kept.map(({ id }) => id),
    ),
    next: rows.length > limit ? cursorOf(kept.at(-1)!) : null,
  };
}

function behind(after: string | undefined): SQL | undefined {
  const found = /^([012])(\d{1,14})$/.exec(after ?? '');
  if (!found) return undefined;
  const [rank, id] = [Number(found[1]), Number(found[2])];
  return or(lt(finding.rank, rank), and(eq(finding.rank, rank), lt(finding.id, id)));
}

const [placedOn, aboutEmbed] = [alias(page, 'placed_on'), alias(embed, 'about_embed')];

/** These findings as they are shown, the worst first, then the newest. */
export async function shownFindings(db: Handle, ids: readonly number[]): Promise<ShownFinding[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select({
      finding,
      site: { key: site.key, name: site.name, address: site.address },
      page: { path: page.path, under: page.under, checkedAt: page.checkedAt },
      placed: {
        id: placement.publicId,
        embed: embed.key,
        name: embed.name,
        path: placedOn.path,
        spot: spot.name,
      },
      about: { key: aboutEmbed.key, name: aboutEmbed.name },
      host: sweptHost.name,
    })
    .from(finding)
    .leftJoin(site, eq(site.id, finding.siteId))
    .leftJoin(page, eq(page.id, finding.pageId))
    .leftJoin(placement, eq(placement.id, finding.placementId))
    .leftJoin(embed, eq(embed.id, placement.embedId))
    .leftJoin(spot, eq(spot.id, placement.spotId))
    .leftJoin(placedOn, eq(placedOn.id, placement.pageId))
    .leftJoin(aboutEmbed, eq(aboutEmbed.id, finding.embedId))
    .leftJoin(sweptHost, eq(sweptHost.id, finding.hostId))
    .where(isOneOf(finding.id, ids))
    .orderBy(desc(finding.rank), desc(finding.id));
  // What is about no placement has nothing of one.
  return rows.map(({ about, ...row }) => ({
    ...row,
    placed: row.placed.id === null ? null : row.placed,
    embed: about?.key ? about : null,
  })) as ShownFinding[];
}

/** The places of one kind where something is found. @param kind such as `terms:` */
export const scopesLike = async (db: Handle, kind: string): Promise<string[]> =>
  (
    await db
      .selectDistinct({ scope: findingAt.scope })
      .from(findingAt)
      .where(like(findingAt.scope, `${kind}%`))
  ).map(({ scope }) => scope);

/** A finding by its id. */
export async function findFinding(db: Handle, publicId: string): Promise<ShownFinding | null> {
  const [row] = await db.select({ id: finding.id }).from(finding).where(eq(finding.publicId, publicId));
  return row ? (await shownFindings(db, [row.id]))[0]! : null;
}
