/* Rows of a batch are named by the keys of others, which are asked for by their ids: joined with them, the
   database would read far more rows than the batch has. */
import { eq } from 'drizzle-orm';
import type { Handle } from '../../database/connect.ts';
import { isOneOf } from '../one-of.ts';
import { embed, page, placement, revision, site, source, spot } from '../schema.ts';

/** The keys of pages, as `hollinfell/talks`, by their ids. */
export async function pageKeys(tx: Handle, ids: readonly number[]): Promise<Map<number, string>> {
  const rows = await tx
    .select({ id: page.id, site: site.key, path: page.path })
    .from(page)
    .innerJoin(site, eq(site.id, page.siteId))
    .where(isOneOf(page.id, different(ids)));
  return new Map(rows.map(({ id, site: of, path }) => [id, `${of}/${path}`]));
}

/** The keys of spots, as `hollinfell/talks#main`, by their ids. */
export async function spotKeys(tx: Handle, ids: readonly number[]): Promise<Map<number, string>> {
  const rows = await tx
    .select({ id: spot.id, pageId: spot.pageId, name: spot.name })
    .from(spot)
    .where(isOneOf(spot.id, different(ids)));
  const pages = await pageKeys(
    tx,
    rows.map(({ pageId }) => pageId),
  );
  return new Map(rows.map(({ id, pageId, name }) => [id, `${pages.get(pageId)!}#${name}`]));
}

/** The keys of embeds by their ids. */
export async function embedKeys(tx: Handle, ids: readonly number[]): Promise<Map<number, string>> {
  const rows = await tx
    .select({ id: embed.id, key: embed.key })
    .from(embed)
    .where(isOneOf(embed.id, different(ids)));
  return new Map(rows.map(({ id, key }) => [id, key]));
}

/** The ids of placements that marks name, by those of their rows. */
export async function placementIds(tx: Handle, ids: readonly number[]): Promise<Map<number, string>> {
  const rows = await tx
    .select({ id: placement.id, publicId: placement.publicId })
    .from(placement)
    .where(isOneOf(placement.id, different(ids)));
  return new Map(rows.map(({ id, publicId }) => [id, publicId]));
}

/** The numbers of sources, or of revisions, by their rows’ ids. */
export async function numbersOf(
  tx: Handle,
  table: typeof source | typeof revision,
  ids: readonly number[],
): Promise<Map<number, number>> {
  const rows = await tx
    .select({ id: table.id, number: table.number })
    .from(table)
    .where(isOneOf(table.id, different(ids)));
  return new Map(rows.map(({ id, number }) => [id, number]));
}

const different = (ids: readonly number[]): number[] => [...new Set(ids)];
