import { and, desc, eq, lt, type SQL } from 'drizzle-orm';
import { alias, type MySqlColumn } from 'drizzle-orm/mysql-core';
import type { Handle } from '../database/connect.ts';
import { insertMany } from './insert-many.ts';
import { isOneOf } from './one-of.ts';
import {
  changeLog,
  embed,
  history,
  page,
  person,
  placement,
  site,
  spot,
  type SightedState,
} from './schema.ts';

/** Whose history is meant, by the id of its row. */
export type HistoryOf = { embedId: number } | { pageId: number } | { siteId: number };

/** What something is about, by the ids of rows. */
export interface Things {
  embeds: readonly number[];
  pages: readonly number[];
  sites: readonly number[];
}

/** Writes a change into the history of all that it is about. Call it in the transaction of the change. */
export async function tellOfChange(
  tx: Handle,
  { changeId, at }: { changeId: number; at: Date },
  { embeds, pages, sites }: Things,
): Promise<void> {
  // One row has room for one thing of each kind.
  const rows = Math.max(embeds.length, pages.length, sites.length);
  await insertMany(
    tx,
    history,
    Array.from({ length: rows }, (_, i) => ({
      ...{ at, changeId, embedId: embeds[i] ?? null, pageId: pages[i] ?? null, siteId: sites[i] ?? null },
    })),
  );
}

/** A placement that a sweep saw otherwise than it was before. */
export interface SeenOtherwise {
  placementId: number;
  was: SightedState;
  state: SightedState;
}

/** Writes into the history of embeds, pages and sites how a sweep saw that something has changed. */
export async function tellOfSeen(tx: Handle, seen: readonly SeenOtherwise[], at: Date): Promise<void> {
  if (seen.length === 0) return;
  const ids = seen.map(({ placementId }) => placementId);
  const where = await tx
    .select({
      ...{ placementId: placement.id, embedId: placement.embedId },
      ...{ pageId: placement.pageId, siteId: placement.siteId },
    })
    .from(placement)
    .where(isOneOf(placement.id, ids));
  const by = new Map(where.map((row) => [row.placementId, row]));
  await insertMany(
    tx,
    history,
    seen.flatMap((each) => {
      const row = by.get(each.placementId);
      return row ? [{ at, ...row, was: each.was, state: each.state }] : [];
    }),
  );
}

const ofThing = (of: HistoryOf, columns: typeof history): [MySqlColumn, number] => {
  if ('embedId' in of) return [columns.embedId, of.embedId];
  return 'pageId' in of ? [columns.pageId, of.pageId] : [columns.siteId, of.siteId];
};

/** What happened to something, the newest first, with one row more where there is more. */
export async function listHistory(
  db: Handle,
  of: HistoryOf,
  { limit, before }: { limit: number; before: number | null },
) {
  const [column, id] = ofThing(of, history);
  // Ids first: where tables are joined before the limit, the database may begin with another one.
  const found = await db
    .select({ id: history.id })
    .from(history)
    .where(and(eq(column, id), before === null ? undefined : lt(history.id, before)))
    .orderBy(desc(history.id))
    .limit(limit + 1);
  if (found.length === 0) return [];
  const rows = await told(
    db,
    isOneOf(
      history.id,
      found.map((row) => row.id),
    ),
  );
  return rows.sort((a, b) => b.id - a.id);
}

export type HistoryRow = Awaited<ReturnType<typeof told>>[number];

const undoer = alias(person, 'undoer');

const told = (db: Handle, where: SQL) =>
  db
    .select({
      ...{ id: history.id, at: history.at, was: history.was, state: history.state },
      ...{ change: changeLog, by: person.name, undoneBy: undoer.name },
      ...{ embed: embed.key, site: site.key, path: page.path, spot: spot.name },
    })
    .from(history)
    .leftJoin(changeLog, eq(changeLog.id, history.changeId))
    .leftJoin(person, eq(person.id, changeLog.createdBy))
    .leftJoin(undoer, eq(undoer.id, changeLog.undoneBy))
    .leftJoin(placement, eq(placement.id, history.placementId))
    .leftJoin(embed, eq(embed.id, placement.embedId))
    .leftJoin(spot, eq(spot.id, placement.spotId))
    .leftJoin(page, eq(page.id, placement.pageId))
    .leftJoin(site, eq(site.id, placement.siteId))
    .where(where);
