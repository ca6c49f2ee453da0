import { OrbisError, type Look } from '@orbis/contract';
import { lostSince, type SeenPlaced } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import { listLooks, looksOfPage, type ShownLook } from '../store/looks.ts';
import type { NewLoss } from '../store/inspections.ts';
import { rowsOfMarks } from '../store/many-placements.ts';
import { takeLook, type LookingTools } from './take-look.ts';

/** What a look at a page says that earlier ones did not. */
export interface InspectedPage {
  look: string;
  lost: NewLoss[];
  /** How many placements nobody had looked at before. */
  unknown: number;
}

/**
 * Looks at a page, and holds what is seen against the newest earlier look in which it was well.
 * @throws OrbisError as {@link takeLook} does
 */
export async function inspectPage(
  { pageId, key }: { pageId: number; key: string },
  tools: LookingTools,
  signal: AbortSignal,
): Promise<InspectedPage> {
  const { db } = tools.connection;
  const earlier = (await listLooks(db, pageId, { limit: looksOfPage })).items;
  const look = await takeLook({ page: key, sendForms: false }, tools, { tell: () => undefined, signal });
  return { look: look.id, ...(await heldAgainst(db, look, earlier)) };
}

async function heldAgainst(
  db: Handle,
  look: Look,
  earlier: readonly ShownLook[],
): Promise<Omit<InspectedPage, 'look'>> {
  const ids = await rowsOfMarks(
    db,
    look.placed.map(({ placement }) => placement),
  );
  const before = look.placed.map(({ placement }) =>
    earlier.flatMap((each) => {
      const placed = each.look.seen.placed.find((one) => one.placement === placement);
      return placed ? [{ look: each.look, placed }] : [];
    }),
  );
  const lost = look.placed.flatMap((now, i) => {
    const placementId = ids.get(now.placement);
    if (placementId === undefined) return [];
    const known = before[i]!;
    return lostSince(
      asSeen(now),
      known.map(({ placed }) => asSeen(placed)),
    ).map(({ finding, wellIn }) => {
      const good = known[wellIn]!.look;
      return {
        ...{ placementId, ...finding, details: [] },
        ...{ goodAt: good.takenAt, goodLook: good.publicId, look: look.id },
      };
    });
  });
  return { lost, unknown: before.filter((known) => known.length === 0).length };
}

const asSeen = (placed: Omit<SeenPlaced, 'hostsBefore'> & { before: { hosts: string[] } }): SeenPlaced => ({
  ...placed,
  hostsBefore: placed.before.hosts,
});

/** Why a page could not be looked at. @throws the error itself where it says nothing of that */
export function whyNotLooked(error: unknown): string {
  if (error instanceof OrbisError) return error.message;
  throw error;
}
