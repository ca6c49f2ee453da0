import { eq, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isSeenAnywhere, keepSeenOnPage } from './blocks.ts';
import type { SeenOtherwise } from './history.ts';
import type { PageRow, SiteRow } from './places.ts';
import type { PlacementRow } from './placements.ts';
import { page, placement, type SightedState, type StoredFinding } from './schema.ts';
import { inState, stateOf } from './stale.ts';

/** What is written down of one placement: its finding at that time, which may be that it was out of date. */
export interface PlacementResult {
  placementId: number;
  /** The state that it was in before. */
  was: SightedState;
  state: SightedState;
  delivery: number | null;
  /** Digest of what it carries, without its mark, where that was handed out. */
  carried: string | null;
  line: number | null;
  /** Whether the page shows its document, by a link. */
  served: boolean;
  findings: StoredFinding[];
  /** Where it is in a block, whether the page is said to show that; null for what is placed on the page. */
  block: { isExpected: boolean } | null;
}

/** When a page was read, null where it could not be; and when that is written down. */
export interface ReadTimes {
  read: Date | null;
  now: Date;
}

/* What is worked out whenever a placement is shown is not kept with it. */
const worked: ReadonlySet<string> = new Set(['out-of-date', 'retired', 'paused-stands']);

/** What a page showed of one placement. Call it in a transaction. */
export const recordSeen = (tx: Handle, result: PlacementResult, times: ReadTimes): Promise<void> =>
  write(tx, result, { ...times, carriedNow: isOnPage(result) ? sql`${result.carried}` : sql`null` });

async function write(
  tx: Handle,
  { placementId, carried, ...seen }: PlacementResult,
  { read, now, carriedNow }: ReadTimes & { carriedNow: ReturnType<typeof sql> },
): Promise<void> {
  const found = seenAs(seen.state);
  await tx
    .update(placement)
    .set({
      seen: found,
      // What is wanted may have changed since the page was read: whether it is out of
      // date is said by what holds now.
      ...inState(stateOf(sql`${found}`, carriedNow, sql`${placement.wanted}`), now),
      findings: seen.findings.filter(({ rule }) => !worked.has(rule)),
      ...(read && { checkedAt: read }),
      ...(isOnPage(seen) ? { seenDelivery: seen.delivery, carried, lastSeenAt: now } : {}),
    })
    .where(eq(placement.id, placementId));
}

const isOnPage = ({ delivery, served }: Pick<PlacementResult, 'delivery' | 'served'>): boolean =>
  delivery !== null || served;

/** What stands on its page already when it is placed. Call it in a transaction. */
export const recordAsFound = async (
  tx: Handle,
  { id, carried }: { id: number; carried: string },
  now: Date,
): Promise<void> =>
  void (await tx
    .update(placement)
    .set({
      ...{ seen: 'live', seenDelivery: 1, carried, lastSeenAt: now, checkedAt: now },
      ...inState(stateOf(sql`'live'`, sql`${carried}`, sql`${placement.wanted}`), now),
    })
    .where(eq(placement.id, id)));

/** Whether anything is said of a placement for a page: of a block, where the page is to show it, or does. */
export const isTold = (result: PlacementResult): boolean =>
  result.block === null || result.block.isExpected || isOnPage(result);

/**
 * What a page showed of something that is placed in a block, together with what other pages showed of it.
 * Call it in a transaction.
 * @returns how it was and is in all; and whether the page shows the block from now on, or does no more.
 */
export async function recordSeenInBlock(
  tx: Handle,
  { page: on, site }: { page: Pick<PageRow, 'id'>; site: Pick<SiteRow, 'key'> },
  result: PlacementResult,
  times: ReadTimes,
): Promise<SeenOtherwise & { changes: boolean }> {
  const { placementId } = result;
  const [before] = await tx
    .select({ findings: placement.findings, lastSeenAt: placement.lastSeenAt, state: placement.state })
    .from(placement)
    .where(eq(placement.id, placementId))
    .for('update');
  const here = isTold(result) ? seenAs(result.state) : null;
  const kept = await keepSeenOnPage(tx, { placementId, pageId: on.id }, here);
  const state = kept.seen ?? seenNowhere(result, before!);
  const findings = [
    ...(here === state ? result.findings : before!.findings.filter(({ rule }) => rule !== notEverywhere)),
    ...(kept.without === null ? [] : [await notOn(tx, site.key, kept.without)]),
  ];
  const carriedNow = isOnPage(result) ? sql`${result.carried}` : sql`${placement.carried}`;
  await write(tx, { ...result, state, findings }, { ...times, carriedNow });
  const [after] = await tx
    .select({ state: placement.state })
    .from(placement)
    .where(eq(placement.id, placementId));
  return { placementId, was: before!.state, state: after!.state, changes: kept.changes };
}

const notEverywhere = 'block-not-everywhere';

/* What no page shows is missing, where one has shown it; what is not meant to be there is not missed. */
const seenNowhere = (
  { state }: PlacementResult,
  { lastSeenAt }: { lastSeenAt: Date | null },
): PlacementRow['seen'] =>
  lastSeenAt === null || state === 'paused' || state === 'planned' ? 'planned' : 'missing';

async function notOn(tx: Handle, site: string, pageId: number): Promise<StoredFinding> {
  const [row] = await tx.select({ path: page.path }).from(page).where(eq(page.id, pageId));
  return { rule: notEverywhere, level: 'warning', facts: { page: `${site}/${row!.path}` } };
}

/** Of something of a block that has ended, and that a page does not have any more: whether none has it. */
export async function isGoneEverywhere(
  tx: Handle,
  key: { placementId: number; pageId: number },
): Promise<boolean> {
  await keepSeenOnPage(tx, key, null);
  return !(await isSeenAnywhere(tx, key.placementId));
}

/* What is not meant to be there, and is not, is as if it had not been placed yet. */
function seenAs(state: SightedState): PlacementRow['seen'] {
  if (state === 'out-of-date') return 'live';
  return state === 'paused' ? 'planned' : state;
}
