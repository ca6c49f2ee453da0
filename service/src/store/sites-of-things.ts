import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { alias } from 'drizzle-orm/mysql-core';
import type { Handle } from '../database/connect.ts';
import { embed, finding, history, inspection, job, look, page, placement, site } from './schema.ts';

/** Of which site something is, by the id of its row; null for everything, undefined where there is none. */
export type SiteOf = number | null | undefined;

/** The id of a site, also of one that is no site any more. */
export async function siteIdOf(db: Handle, key: string): Promise<number | undefined> {
  const [row] = await db.select({ id: site.id }).from(site).where(eq(site.key, key));
  return row?.id;
}

export async function siteOfPlacement(db: Handle, publicId: string): Promise<SiteOf> {
  const [row] = await db
    .select({ siteId: placement.siteId })
    .from(placement)
    .where(eq(placement.publicId, publicId));
  return row?.siteId;
}

export async function siteOfLook(db: Handle, publicId: string): Promise<SiteOf> {
  const [row] = await db.select({ siteId: look.siteId }).from(look).where(eq(look.publicId, publicId));
  return row?.siteId;
}

export async function siteOfFinding(db: Handle, publicId: string): Promise<SiteOf> {
  const [row] = await db
    .select({ siteId: finding.siteId })
    .from(finding)
    .where(eq(finding.publicId, publicId));
  return row?.siteId;
}

export async function siteOfInspection(db: Handle, publicId: string): Promise<SiteOf> {
  const [row] = await db
    .select({ siteId: inspection.siteId })
    .from(inspection)
    .innerJoin(job, eq(job.id, inspection.jobId))
    .where(eq(job.publicId, publicId));
  return row?.siteId;
}

/** Of a sweep: what it reads says so, a page or a site by its key. */
export async function siteOfSweep(db: Handle, publicId: string): Promise<SiteOf> {
  const [row] = await db.select({ scope: job.scope }).from(job).where(eq(job.publicId, publicId));
  if (!row || row.scope === null) return row && null;
  return (await siteIdOf(db, row.scope.split('/', 1)[0]!)) ?? null;
}

/** What a change is about, by the ids of rows. */
export async function thingsOf(db: Handle, changeId: number): Promise<{ sites: number[]; embeds: number[] }> {
  const rows = await db
    .select({ siteId: history.siteId, pageSite: page.siteId, embedId: history.embedId })
    .from(history)
    .leftJoin(page, eq(page.id, history.pageId))
    .where(eq(history.changeId, changeId));
  const distinct = (ids: readonly (number | null)[]): number[] => [
    ...new Set(ids.filter((id) => id !== null)),
  ];
  return {
    sites: distinct(rows.flatMap(({ siteId, pageSite }) => [siteId, pageSite])),
    embeds: distinct(rows.map(({ embedId }) => embedId)),
  };
}

/** What a change is about, by keys: so much of each kind. */
export async function keysOfThings(
  db: Handle,
  changeId: number,
  most: number,
): Promise<{ embeds: string[]; pages: string[]; sites: string[] }> {
  const pageSite = alias(site, 'page_site');
  const rows = await db
    .select({ embed: embed.key, site: site.key, pageSite: pageSite.key, path: page.path })
    .from(history)
    .leftJoin(embed, eq(embed.id, history.embedId))
    .leftJoin(site, eq(site.id, history.siteId))
    .leftJoin(page, eq(page.id, history.pageId))
    .leftJoin(pageSite, eq(pageSite.id, page.siteId))
    .where(eq(history.changeId, changeId))
    .limit(most);
  return {
    embeds: rows.flatMap((row) => row.embed ?? []),
    pages: rows.flatMap((row) => (row.pageSite === null ? [] : [`${row.pageSite}/${row.path ?? ''}`])),
    sites: rows.flatMap((row) => row.site ?? []),
  };
}

/** An embed as rights look at it: who collected it, and whether it is placed on some sites, and elsewhere. */
export interface EmbedOnSites {
  createdBy: number | null;
  /** Whether it is placed on one of the sites, or was. */
  isThere: boolean;
  /** Whether it is placed on another site than these. */
  isElsewhere: boolean;
}

/** How an embed stands to some sites; undefined where there is none. */
export async function embedOnSites(
  db: Handle,
  of: { key: string } | { id: number },
  sites: readonly number[],
): Promise<EmbedOnSites | undefined> {
  const [row] = await db
    .select({ id: embed.id, createdBy: embed.createdBy })
    .from(embed)
    .where('key' in of ? eq(embed.key, of.key) : eq(embed.id, of.id));
  if (!row) return undefined;
  const [there, elsewhere] = await Promise.all([
    sites.length === 0
      ? []
      : db
          .select({ one: sql`1` })
          .from(placement)
          .where(and(inArray(placement.siteId, [...sites]), eq(placement.embedId, row.id)))
          .limit(1),
    db
      .select({ one: sql`1` })
      .from(placement)
      .where(
        and(
          eq(placement.embedId, row.id),
          eq(placement.active, 1),
          sites.length === 0 ? undefined : notInArray(placement.siteId, [...sites]),
        ),
      )
      .limit(1),
  ]);
  return { createdBy: row.createdBy, isThere: there.length > 0, isElsewhere: elsewhere.length > 0 };
}
