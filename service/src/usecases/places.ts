import { OrbisError, parsePage, parsePlace } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { findPage, findSite, type PageRow, type SiteRow } from '../store/places.ts';
import { findSpot, type FoundSpot } from '../store/spots.ts';

const missing = (what: string, key: string): OrbisError =>
  new OrbisError('not-found', {
    what,
    key,
  });

/** @throws OrbisError `not-found` */
export async function siteByKey(db: Handle, key: string): Promise<SiteRow> {
  const site = await findSite(db, key);
  if (!site) throw missing('site', key);
  return site;
}

/** @throws OrbisError `not-found` or `place-invalid` */
export async function pageByKey(db: Handle, key: string): Promise<{ site: SiteRow; page: PageRow }> {
  const found = await findPage(db, parsePage(key));
  if (!found) throw missing('page', key);
  return found;
}

/** @throws OrbisError `not-found` or `place-invalid` */
export async function spotByKey(
  db: Handle,
  key: string,
): Promise<{ site: SiteRow; page: PageRow; spot: FoundSpot }> {
  const found = await findSpot(db, parsePlace(key));
  if (!found) throw missing('spot', key);
  return found;
}
