import type { Page, Site, Spot } from '@orbis/contract';
import type { PageRow, SiteRow, SpotRow } from '../store/places.ts';

/** The address of a page: the site's address with the page's path. */
export const pageUrl = (site: { address: string }, page: { path: string }): string =>
  site.address.replace(/\/$/, '') + '/' + page.path;

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
  pages,
  createdAt: createdAt.toISOString(),
});

export const serializeSpot = (page: string, spot: SpotRow): Spot => ({
  key: `${page}#${spot.name}`,
  name: spot.name,
  widths: { phone: spot.phone, tablet: spot.tablet, desktop: spot.desktop },
  heights: spot.heights,
  selector: spot.selector,
  placements: spot.placements,
});

export function serializePage(
  { site, page }: { site: SiteRow; page: PageRow },
  spots: readonly SpotRow[],
): Page {
  const key = pageKeyOf({ site, page });
  return {
    key,
    path: page.path,
    title: page.title,
    url: pageUrl(site, page),
    checkedAt: page.checkedAt?.toISOString() ?? null,
    spots: spots.map((spot) => serializeSpot(key, spot)),
  };
}
