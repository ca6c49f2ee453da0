import type { Handle } from '../../database/connect.ts';
import type { ChangeRow } from '../../store/change-log.ts';
import {
  bringPageBack,
  bringSiteBack,
  bringSpotBack,
  pageWithSite,
  resumeAllOf,
  siteById,
  spotWithPage,
} from '../../store/gone-places.ts';
import { changePage } from '../../store/places.ts';
import { markPage } from '../../store/mark-stale.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { unlessTaken } from '../unless-taken.ts';
import { changedSince } from './changed-since.ts';

/**
 * Has a spot, page or site again that was removed, with everything that was placed there.
 * @throws OrbisError `changed-since` where it was added again, or where it was is not there any more
 */
export const undoGone = (
  tx: Handle,
  row: ChangeRow,
  effect: Extract<ChangeEffect, { of: 'gone' }>,
): Promise<null> => again[effect.what](tx, row, effect.id);

const again = { spot: spotAgain, page: pageAgain, site: siteAgain } as const;

async function spotAgain(tx: Handle, { id: change, facts }: ChangeRow, spotId: number): Promise<null> {
  const found = await spotWithPage(tx, spotId);
  const isThere = found !== null && [found.pageGoneAt, found.siteGoneAt].every((gone) => gone === null);
  if (!isThere || found.spot.goneAt === null)
    throw changedSince([`the spot ${'key' in facts ? facts.key : ''}`]);
  await bringSpotBack(tx, spotId);
  await resumeAllOf(tx, { spotId }, change);
  await markPage(tx, found.spot.pageId);
  return null;
}

async function pageAgain(tx: Handle, { id: change, facts }: ChangeRow, pageId: number): Promise<null> {
  const found = await pageWithSite(tx, pageId);
  const isThere = found !== null && found.page.goneAt !== null && found.site.goneAt === null;
  if (!isThere) throw changedSince([`the page ${'key' in facts ? facts.key : ''}`]);
  await bringPageBack(tx, found.page);
  await resumeAllOf(tx, { pageId }, change);
  await markPage(tx, pageId);
  return null;
}

async function siteAgain(tx: Handle, { id: change, facts }: ChangeRow, siteId: number): Promise<null> {
  const found = await siteById(tx, siteId);
  if (!found?.goneAt) throw changedSince([`the site ${'key' in facts ? facts.key : ''}`]);
  await bringSiteBack(tx, siteId, change);
  await resumeAllOf(tx, { siteId }, change);
  return null;
}

/**
 * Gives a page the path again that it had.
 * @throws OrbisError `changed-since`, `key-taken`
 */
export async function undoPagePath(
  tx: Handle,
  { facts }: ChangeRow,
  { pageId, before, after }: Extract<ChangeEffect, { of: 'page-path' }>,
): Promise<null> {
  const found = await pageWithSite(tx, pageId);
  const stands = found !== null && found.page.goneAt === null && found.page.path === after.path;
  const { from, to } = facts.kind === 'page-moved' ? facts : { from: '', to: '' };
  if (!stands) throw changedSince([`the page ${to}`]);
  await unlessTaken('page', from, async () => {
    if (!(await changePage(tx, found.page, before))) throw changedSince([`the page ${to}`]);
  });
  await markPage(tx, pageId);
  return null;
}
