import { and, eq, inArray } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { isOneOf } from './one-of.ts';
import { pageRead, placement, sighting, type SightedState, type StoredFinding } from './schema.ts';
import type { PlacementResult } from './seen.ts';

export type PageReadRow = typeof pageRead.$inferSelect;

/** How a page was read last; null where it was not. */
export async function lastReadOf(db: Handle, pageId: number): Promise<PageReadRow | null> {
  const [row] = await db.select().from(pageRead).where(eq(pageRead.pageId, pageId));
  return row ?? null;
}

/** What a page showed, or why it showed nothing: where this is the same, nothing new was seen. */
export const shownDigestOf = ({
  state,
  status,
  why,
  seen,
  findings,
}: {
  state: string;
  status: number | null;
  why: string | null;
  seen: readonly Pick<PlacementResult, 'placementId' | 'state' | 'delivery' | 'findings'>[];
  findings: readonly StoredFinding[];
}): string =>
  digest(
    JSON.stringify([
      ...(state === 'read' ? ['read'] : [state, status, why]),
      ...seen
        .map(({ placementId, state: as, delivery, findings }) => [placementId, as, delivery, findings])
        .sort(),
      ...findings,
    ]),
  );

/** These pages are made out anew the next time that they are read, also where they are as they were. */
export const readAnew = async (tx: Handle, pageIds: readonly number[]): Promise<void> =>
  void (await tx.update(pageRead).set({ content: '', etag: '' }).where(isOneOf(pageRead.pageId, pageIds)));

/** Keeps how a page was read. Call it in a transaction. */
export const keepRead = async (tx: Handle, row: PageReadRow): Promise<void> =>
  void (await tx.insert(pageRead).values(row).onDuplicateKeyUpdate({ set: row }));

/**
 * A page is as it was when these sightings were written down: what was seen there then was seen there again.
 * Call it in a transaction.
 * @returns in which states.
 */
export async function seenAgain(
  tx: Handle,
  { shownBy }: Pick<PageReadRow, 'shownBy'>,
  now: Date,
): Promise<{ state: SightedState }[]> {
  const rows = await tx
    .select({ placementId: sighting.placementId, state: sighting.state, delivery: sighting.delivery })
    .from(sighting)
    .where(eq(sighting.sweepPageId, shownBy));
  const [stands, other] = [rows.filter(isThere), rows.filter((row) => !isThere(row))];
  for (const [some, times] of [
    [stands, { checkedAt: now, lastSeenAt: now }],
    [other, { checkedAt: now }],
  ] as const)
    if (some.length > 0)
      await tx
        .update(placement)
        .set(times)
        .where(
          and(
            inArray(
              placement.id,
              some.map(({ placementId }) => placementId),
            ),
            eq(placement.active, 1),
          ),
        );
  return rows;
}

/* By its code, or by the link of its document, which has no number. */
const isThere = ({ state, delivery }: { state: SightedState; delivery: number | null }): boolean =>
  delivery !== null || state === 'live';
