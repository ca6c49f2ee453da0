import { pageUrl } from '../serializers/places.ts';
import type { PageOfSweep } from '../store/sweeps.ts';

/** Where a page is read: at the site’s own address, or at a further one. */
export const addressOfPage = ({
  site,
  page,
  address,
}: Pick<PageOfSweep, 'site' | 'page' | 'address'>): string =>
  pageUrl({ address: address ?? site.address }, page);
