import { and, eq, inArray } from 'drizzle-orm';
import { parsePage, parsePlace, RecordUnfit } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { chunks } from '../chunks.ts';
import { groupBy } from '../group.ts';
import { isOneOf } from '../one-of.ts';
import { embed, page, placement, revision, site, source, spot } from '../schema.ts';

/** What is found of the things that records name; whatever is not there is told as the record’s fault. */
export class FoundRows<T> {
  readonly #what: string;
  readonly #found: ReadonlyMap<string, T>;
  constructor(what: string, found: ReadonlyMap<string, T>) {
    this.#what = what;
    this.#found = found;
  }
  /**
   * @param shown how the file names it, where that is not the key.
   * @throws RecordUnfit where there is none
   */
  of(key: string, shown = key): T {
    const found = this.#found.get(key);
    if (found === undefined)
      throw new RecordUnfit(`there is no ${this.#what} “${shown}” in the lines before`);
    return found;
  }
}

/** The ids of sites by their keys. */
export async function sitesBy(tx: Handle, keys: readonly string[]): Promise<FoundRows<number>> {
  const rows = await tx
    .select({ id: site.id, key: site.key })
    .from(site)
    .where(inArray(site.key, [...new Set(keys)]));
  return new FoundRows('site', new Map(rows.map(({ id, key }) => [key, id])));
}

/** A page of a site, by their ids. */
export interface PageIds {
  pageId: number;
  siteId: number;
}

/** Pages by their keys, as `hollinfell/talks`. */
export async function pagesBy(tx: Handle, keys: readonly string[]): Promise<FoundRows<PageIds>> {
  const wanted = groupBy(new Set(keys), (key) => parsePage(key).site);
  const found = new Map<string, PageIds>();
  for (const [of, own] of wanted) {
    const rows = await tx
      .select({ pageId: page.id, siteId: site.id, path: page.path })
      .from(page)
      .innerJoin(site, eq(site.id, page.siteId))
      .where(
        and(
          eq(site.key, of),
          inArray(
            page.path,
            own.map((key) => parsePage(key).path),
          ),
        ),
      );
    for (const { path, ...ids } of rows) found.set(`${of}/${path}`, ids);
  }
  return new FoundRows('page', found);
}

/** A spot of a page of a site, by their ids. */
export interface SpotIds extends PageIds {
  spotId: number;
}

/** Spots by their keys, as `hollinfell/talks#main`. */
export async function spotsBy(tx: Handle, keys: readonly string[]): Promise<FoundRows<SpotIds>> {
  const pageKeyOf = (key: string): string => key.slice(0, key.length - parsePlace(key).spot.length - 1);
  const pages = await pagesBy(tx, keys.map(pageKeyOf));
  const ids = new Map<number, { key: string; ids: PageIds }>();
  for (const key of keys) {
    const own = pages.of(pageKeyOf(key));
    ids.set(own.pageId, { key: pageKeyOf(key), ids: own });
  }
  const rows = await tx
    .select({ spotId: spot.id, pageId: spot.pageId, name: spot.name })
    .from(spot)
    .where(isOneOf(spot.pageId, [...ids.keys()]));
  return new FoundRows(
    'spot',
    new Map(
      rows.map(({ spotId, pageId, name }) => {
        const of = ids.get(pageId)!;
        return [`${of.key}#${name}`, { spotId, ...of.ids }];
      }),
    ),
  );
}

/** The ids of embeds by their keys. */
export async function embedsBy(tx: Handle, keys: readonly string[]): Promise<FoundRows<number>> {
  const rows = await tx
    .select({ id: embed.id, key: embed.key })
    .from(embed)
    .where(inArray(embed.key, [...new Set(keys)]));
  return new FoundRows('embed', new Map(rows.map(({ id, key }) => [key, id])));
}

/** Placements by their ids, as marks name them. */
export async function placementsBy(
  tx: Handle,
  publicIds: readonly string[],
): Promise<FoundRows<{ id: number; embedId: number }>> {
  const rows = await tx
    .select({ id: placement.id, embedId: placement.embedId, publicId: placement.publicId })
    .from(placement)
    .where(inArray(placement.publicId, [...new Set(publicIds)]));
  return new FoundRows('placement', new Map(rows.map(({ publicId, ...row }) => [publicId, row])));
}

/** Something of an embed that has a number. */
export interface Numbered {
  embedId: number;
  number: number;
}

/** The ids of sources, or of revisions, by `embed number`; see {@link numberedKey}. */
export async function numberedBy(
  tx: Handle,
  table: typeof source | typeof revision,
  wanted: readonly Numbered[],
): Promise<FoundRows<number>> {
  const found = new Map<string, number>();
  for (const part of chunks(wanted)) {
    const rows = await tx
      .select({ id: table.id, embedId: table.embedId, number: table.number })
      .from(table)
      .where(
        and(
          isOneOf(table.embedId, [...new Set(part.map(({ embedId }) => embedId))]),
          isOneOf(table.number, [...new Set(part.map(({ number }) => number))]),
        ),
      );
    for (const row of rows) found.set(numberedKey(row), row.id);
  }
  return new FoundRows(table === source ? 'source' : 'revision', found);
}

/** As {@link numberedBy} finds it. */
export const numberedKey = ({ embedId, number }: Numbered): string => `${embedId} ${number}`;
