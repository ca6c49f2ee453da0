import { mostListed, OrbisError, type ChangeListPage } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { pageKeyOf, pageUrl } from '../serializers/places.ts';
import {
  deleteChangeList,
  fillChangeList,
  findChangeList,
  findEntry,
  insertChangeList,
  standingOn,
  tickEntry,
  untickEntry,
  workOf,
  type ChangeListRow,
  type ListedEntry,
  type StandingThere,
} from '../store/change-lists.ts';
import type { Actor } from '../store/embeds.ts';
import { placementFilter } from './placement-filter.ts';
import { askForCheck } from '../store/page-checks.ts';
import { pageByKey } from './places.ts';
import { pagesAtOnce, planNext, planPages, type PlanTools } from './planning.ts';

/** @throws OrbisError `not-found` */
export async function changeListById(db: Handle, id: string): Promise<ChangeListRow> {
  const row = await findChangeList(db, id);
  if (!row) throw new OrbisError('not-found', { what: 'change list', key: id });
  return row;
}

/**
 * Puts the pages that a search of the register finds on a new list.
 * @throws OrbisError `search-invalid`, `not-found`, `nothing-to-list`
 */
export async function addChangeList(
  { name, where }: { name: string; where: string },
  tools: PlanTools,
  actor: Actor,
): Promise<ChangeListRow> {
  const { db } = tools;
  const filter = await placementFilter(db, { where });
  await planNext(pagesAtOnce, tools);
  return inTransaction(db, async (tx) => {
    const row = await insertChangeList(tx, { name, search: where }, actor);
    await fillChangeList(tx, row, filter, mostListed);
    const filled = await changeListById(tx, row.publicId);
    if (filled.pages === 0) throw new OrbisError('nothing-to-list', { where });
    return filled;
  });
}

/**
 * Puts the pages on a list that its search finds by now as well.
 * @throws OrbisError `not-found`, `search-invalid`
 */
export async function fillAgain(id: string, tools: PlanTools): Promise<ChangeListRow> {
  const { db } = tools;
  const row = await changeListById(db, id);
  const filter = await placementFilter(db, { where: row.search });
  await planNext(pagesAtOnce, tools);
  return inTransaction(db, async (tx) => {
    await fillChangeList(tx, row, filter, mostListed);
    return changeListById(tx, id);
  });
}

/** Removes a list with its ticks. @throws OrbisError `not-found` */
export const removeChangeList = (db: Database, id: string): Promise<void> =>
  inTransaction(db, async (tx) => deleteChangeList(tx, await changeListById(tx, id)));

/** Pages of a list as they are shown; those that wait are planned first, so that what is said is true. */
export async function showEntries(
  entries: readonly ListedEntry[],
  tools: PlanTools,
): Promise<ChangeListPage[]> {
  const ids = entries.map(({ page }) => page.id);
  await planPages(ids, tools);
  const standing = await standingOn(tools.db, ids);
  return entries.map((entry) => serializeEntry(entry, standing.get(entry.page.id) ?? []));
}

function serializeEntry(
  { entry, page, site, by }: ListedEntry,
  standing: readonly StandingThere[],
): ChangeListPage {
  const work = workOf(standing);
  const holds = entry.tickedAt !== null && entry.work === work;
  return {
    page: pageKeyOf({ site, page }),
    title: page.title,
    url: pageUrl(site, page),
    toDo: standing
      .filter(({ state, takeOut, wanted }) => takeOut || (wanted !== null && state !== 'live'))
      .map(({ placement, embed, embedName, spot, state, takeOut }) => ({
        ...{ placement, embed, embedName, spot, state, takeOut },
      })),
    work,
    ticked: holds ? { at: entry.tickedAt!.toISOString(), by: by ?? '' } : null,
    again: entry.again || (entry.tickedAt !== null && !holds),
  };
}

/** A page of a list as it is shown. @throws OrbisError `not-found` */
export async function readEntry(
  asked: { list: string; page: string },
  tools: PlanTools,
): Promise<ChangeListPage> {
  return (await showEntries([await entryOf(tools.db, asked)], tools))[0]!;
}

/**
 * Says that what is to be done on a page is done.
 * @param asked with the `work` of the page as it was shown
 * @throws OrbisError `not-found`, `already-ticked`, `work-changed`
 */
export async function tickPage(
  asked: { list: string; page: string; work: string },
  tools: PlanTools,
  actor: Actor,
): Promise<ChangeListPage> {
  const { db } = tools;
  const place = await pageByKey(db, asked.page);
  const { page } = place;
  await planPages([page.id], tools);
  const isNew = await inTransaction(db, async (tx) => {
    const entry = await entryOf(tx, asked);
    const work = workOf((await standingOn(tx, [page.id])).get(page.id) ?? []);
    if (work !== asked.work) throw new OrbisError('work-changed', { page: asked.page });
    if (!(await tickEntry(tx, entry, work, actor))) return false;
    await askForCheck(tx, place);
    return true;
  });
  if (!isNew) {
    // Read behind the transaction, which does not see what others have done meanwhile.
    const { by, entry } = await entryOf(db, asked);
    const at = entry.tickedAt?.toISOString() ?? null;
    throw new OrbisError('already-ticked', { page: asked.page, by, at });
  }
  return readEntry(asked, tools);
}

/** Takes a tick back. @throws OrbisError `not-found` */
export async function untickPage(
  asked: { list: string; page: string },
  tools: PlanTools,
): Promise<ChangeListPage> {
  const { db } = tools;
  await inTransaction(db, async (tx) => untickEntry(tx, (await entryOf(tx, asked)).entry, { again: false }));
  return readEntry(asked, tools);
}

async function entryOf(
  db: Handle,
  { list, page: key }: { list: string; page: string },
): Promise<ListedEntry> {
  const row = await changeListById(db, list);
  const { page } = await pageByKey(db, key);
  const entry = await findEntry(db, row, page.id);
  if (!entry) throw new OrbisError('not-found', { what: 'page of this list', key });
  return entry;
}
