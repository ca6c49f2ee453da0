import { and, count, desc, eq, isNotNull, sql } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { blockedContact, page, placement, site, spot } from './schema.ts';

/** So many hosts are kept for one placement: whoever reports more is making them up. */
export const mostBlocked = 20;

/** Keeps that a document was kept from contacting a host; nothing where so many others are known already. */
export async function keepBlocked(
  db: Handle,
  { placementId, host }: { placementId: number; host: string },
  now: Date,
): Promise<void> {
  const ofPlacement = eq(blockedContact.placementId, placementId);
  const [{ affectedRows }] = await db
    .update(blockedContact)
    .set({ lastAt: now })
    .where(and(ofPlacement, eq(blockedContact.host, host)));
  if (affectedRows > 0) return;
  const [row] = await db.select({ known: count() }).from(blockedContact).where(ofPlacement);
  if ((row?.known ?? 0) >= mostBlocked) return;
  await db
    .insert(blockedContact)
    .values({ placementId, host, firstAt: now, lastAt: now })
    .onDuplicateKeyUpdate({ set: { lastAt: now } });
}

/** A host that a document was kept from contacting, and where. */
export interface BlockedContact {
  host: string;
  firstAt: Date;
  lastAt: Date;
  placement: { publicId: string };
  site: { key: string };
  page: { path: string };
  spot: { name: string };
}

/** What the documents of an embed were kept from contacting, the newest first, at most so many. */
export function blockedOf(db: Handle, embedId: number, most: number): Promise<BlockedContact[]> {
  return db
    .select({
      host: blockedContact.host,
      firstAt: blockedContact.firstAt,
      lastAt: blockedContact.lastAt,
      placement: { publicId: placement.publicId },
      site: { key: site.key },
      page: { path: page.path },
      spot: { name: spot.name },
    })
    .from(placement)
    .innerJoin(blockedContact, eq(blockedContact.placementId, placement.id))
    .innerJoin(spot, eq(spot.id, placement.spotId))
    .innerJoin(page, eq(page.id, placement.pageId))
    .innerJoin(site, eq(site.id, placement.siteId))
    .where(and(eq(placement.embedId, embedId), isNotNull(placement.active)))
    .orderBy(desc(blockedContact.lastAt), blockedContact.host)
    .limit(most);
}

/** The hosts that the documents of these placements were kept from contacting, by the placements’ rows. */
export async function blockedAt(db: Handle, ids: readonly number[]): Promise<ReadonlyMap<number, string[]>> {
  const found = new Map<number, string[]>();
  if (ids.length === 0) return found;
  const rows = await db
    .select({ placementId: blockedContact.placementId, host: blockedContact.host })
    .from(blockedContact)
    .where(isOneOf(blockedContact.placementId, ids))
    .orderBy(blockedContact.placementId, blockedContact.host);
  for (const { placementId, host } of rows) found.set(placementId, [...(found.get(placementId) ?? []), host]);
  return found;
}

/** Forgets what the documents of an embed were kept from contacting. */
export async function forgetBlocked(db: Handle, embedId: number): Promise<void> {
  await db
    .delete(blockedContact)
    .where(sql`${blockedContact.placementId} IN (SELECT id FROM ${placement} WHERE embed_id = ${embedId})`);
}
