import { isBlockPath, type Page, type SharedSpot, type Site, type Spot } from '@orbis/contract';
import type { PageRow, SiteRow } from '../store/places.ts';
import type { SharedSpotRow } from '../store/shared-spots.ts';
import type { FoundSpot, SpotSize } from '../store/spots.ts';

/**
 * The address of a page: the site's address with the page's path. Of a block, the address under which the
 * pages are that show it.
 */
export const pageUrl = (
  site: { address: string },
  { path, under = null }: { path: string; under?: string | null },
): string => `${site.address.replace(/\/$/, '')}/${isBlockPath(path) ? (under ?? '') : path}`;

/** A page as people write it: `hollinfell/talks`. */
export const pageKeyOf = ({ site, page }: { site: { key: string }; page: { path: string } }): string =>
  `${site.key}/${page.path}`;

export const serializeSite = ({
  key,
  name,
  address,
  furtherAddresses,
  defaults,
  head,
  language,
  colours,
  frameStyle,
  editor,
  schedule,
  rendered,
  nextSweepAt,
  pages,
  createdAt,
}: SiteRow): Site => ({
  key,
  name,
  address,
  furtherAddresses,
  defaults,
  head,
  language,
  colours,
  frameStyle,
  editor,
  schedule,
  rendered,
  nextSweepAt: nextSweepAt?.toISOString() ?? null,
  pages,
  createdAt: createdAt.toISOString(),
});

export const serializeSpot = (page: string, spot: FoundSpot): Spot => ({
  key: `${page}#${spot.name}`,
  name: spot.name,
  ...saidSize(spot),
  shared: spot.from !== null,
  placements: spot.placements,
});

export const serializeSharedSpot = (site: { key: string }, shared: SharedSpotRow): SharedSpot => ({
  key: `${site.key}#${shared.name}`,
  name: shared.name,
  under: shared.under,
  ...saidSize(shared),
});

const saidSize = ({ phone, tablet, desktop, heights, selector }: SpotSize) => ({
  widths: { phone, tablet, desktop },
  heights,
  selector,
});

/** Which pages show a block, and where; null for a page. */
export const blockOf = ({ under, stands }: Pick<PageRow, 'under' | 'stands'>): Page['block'] =>
  stands === null ? null : { under, stands };

export function serializePage(
  { site, page }: { site: SiteRow; page: PageRow },
  spots: readonly FoundSpot[],
): Page {
  const key = pageKeyOf({ site, page });
  return {
    key,
    path: page.path,
    title: page.title,
    url: pageUrl(site, page),
    block: blockOf(page),
    checkedAt: page.checkedAt?.toISOString() ?? null,
    spots: spots.map((spot) => serializeSpot(key, spot)),
  };
}
