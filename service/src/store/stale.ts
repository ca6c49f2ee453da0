import { and, asc, eq, sql, type SQL } from 'drizzle-orm';
import { mostWaiting } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { placement } from './schema.ts';

/*
 * What would be handed out on a page depends on its embeds, its site and the rules for all. Whoever
 * changes one of them says so here, in the transaction that does; the pages are planned again when
 * somebody asks, or by the job.
 */
const mark = (tx: Handle, where: SQL | undefined): Promise<unknown> =>
  tx
    .update(placement)
    .set({ stale: 'yes', inputs: sql`${placement.inputs} + 1` })
    .where(and(eq(placement.active, 1), where));

/** Something changed on a page itself. */
export const markPage = (tx: Handle, pageId: number): Promise<unknown> =>
  mark(tx, eq(placement.pageId, pageId));

/** Something changed that holds for every page of a site. */
export const markSite = (tx: Handle, siteId: number): Promise<unknown> =>
  mark(tx, eq(placement.siteId, siteId));

/** Something changed that holds for all pages. */
export const markAll = (tx: Handle): Promise<unknown> => mark(tx, undefined);

/** What could not be planned is tried once more. */
export async function markFailed(tx: Handle): Promise<void> {
  await tx.update(placement).set({ stale: 'yes' }).where(eq(placement.stale, 'failed'));
}

/** These embeds come out differently: so may their neighbours on every page that they are on. */
export async function markEmbeds(tx: Handle, embedIds: readonly number[]): Promise<void> {
  const pages = await tx
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .where(and(isOneOf(placement.embedId, embedIds), eq(placement.active, 1)));
  if (pages.length === 0) return;
  await mark(
    tx,
    isOneOf(
      placement.pageId,
      pages.map(({ id }) => id),
    ),
  );
}

/** The next pages that are to be planned. */
export async function stalePages(db: Handle, limit: number): Promise<number[]> {
  const found = await db
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .where(eq(placement.stale, 'yes'))
    .orderBy(asc(placement.pageId))
    .limit(limit);
  return found.map(({ id }) => id);
}

/** Which of these pages are to be planned. */
export async function staleAmong(db: Handle, pageIds: readonly number[]): Promise<number[]> {
  if (pageIds.length === 0) return [];
  const found = await db
    .selectDistinct({ id: placement.pageId })
    .from(placement)
    .where(and(isOneOf(placement.pageId, pageIds), eq(placement.active, 1), eq(placement.stale, 'yes')))
    .orderBy(asc(placement.pageId));
  return found.map(({ id }) => id);
}

/** How many placements are still to be planned; beyond this limit they are not counted. */
export async function countStale(db: Handle, limit = mostWaiting): Promise<number> {
  const found = await db
    .select({ id: placement.id })
    .from(placement)
    .where(eq(placement.stale, 'yes'))
    .limit(limit);
  return found.length;
}

/** What a plan says of one placement. */
export interface Planned {
  id: number;
  /** How often something had changed when it was read. */
  inputs: number;
  /** Digest of the code for its spot; null where nothing is to stand there. */
  wanted: string | null;
}

/** Writes down what is wanted now; false where something has changed since it was read. */
export async function recordWanted(tx: Handle, { id, inputs, wanted }: Planned): Promise<boolean> {
  const [result] = await tx
    .update(placement)
    .set({
      wanted,
      stale: 'no',
      state: stateOf(sql`${placement.seen}`, sql`${placement.carried}`, sql`${wanted}`),
    })
    .where(and(eq(placement.id, id), eq(placement.inputs, inputs)));
  return result.affectedRows === 1;
}

/** Leaves placements of which nothing could be planned until something changes, or the next start. */
export const recordFailed = (
  tx: Handle,
  rows: readonly Pick<Planned, 'id' | 'inputs'>[],
): Promise<unknown[]> =>
  Promise.all(
    rows.map(({ id, inputs }) =>
      tx
        .update(placement)
        .set({ stale: 'failed' })
        .where(and(eq(placement.id, id), eq(placement.inputs, inputs))),
    ),
  );

/**
 * The state of a placement: what was seen live is out of date where something else is wanted by now, and
 * so is what still stands there while it is paused.
 */
export const stateOf = (seen: SQL, carried: SQL, wanted: SQL): SQL => sql`case
  when ${placement.pausedAt} is not null and ${seen} in ('live', 'altered') then 'out-of-date'
  when ${placement.pausedAt} is not null and ${seen} <> 'unreachable' then 'paused'
  when ${seen} = 'live' and ${carried} is not null and ${wanted} is not null
    and ${carried} <> ${wanted} then 'out-of-date'
  else ${seen} end`;
