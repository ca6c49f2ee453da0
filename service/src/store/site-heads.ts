import { and, asc, countDistinct, desc, eq, gt, inArray, isNotNull, lt, or } from 'drizzle-orm';
import { snippetText, type Snippet } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { groupBy } from './group.ts';
import { insertMany } from './insert-many.ts';
import { afterId } from './pages.ts';
import {
  delivery,
  deliverySnippet,
  headDelivery,
  headDeliverySnippet,
  page,
  placement,
  siteNeed,
  snippet,
} from './schema.ts';

export type SiteNeedRow = typeof siteNeed.$inferSelect;

/** Something that pages of a site need once, with its text. */
export interface SiteNeed {
  need: SiteNeedRow;
  runs: Snippet['runs'];
  /** The path of the page that said whether it stands. */
  path: string | null;
}

const needs = (db: Handle) =>
  db
    .select({ need: siteNeed, runs: snippet.runs, path: page.path })
    .from(siteNeed)
    .innerJoin(snippet, eq(snippet.id, siteNeed.snippetId))
    .leftJoin(page, eq(page.id, siteNeed.standsOn));

/** What most pages of a site need, and whatever is kept in its head, was issued for it, or stands there. */
export const needsOfSite = (
  db: Handle,
  siteId: number,
  kept: readonly string[],
  limit: number,
): Promise<SiteNeed[]> =>
  needs(db)
    .where(
      and(
        eq(siteNeed.siteId, siteId),
        or(
          gt(siteNeed.pages, 0),
          isNotNull(siteNeed.issued),
          eq(siteNeed.stands, 'yes'),
          ...(kept.length > 0 ? [inArray(siteNeed.digest, [...kept])] : []),
        ),
      ),
    )
    .orderBy(desc(siteNeed.pages), asc(siteNeed.digest))
    .limit(limit);

/** What must be known of what is meant for a site’s head. */
export const needsByDigest = (db: Handle, siteId: number, digests: readonly string[]): Promise<SiteNeed[]> =>
  digests.length === 0
    ? Promise.resolve([])
    : needs(db).where(and(eq(siteNeed.siteId, siteId), inArray(siteNeed.digest, [...digests])));

/** The digests of what its pages were last seen to have in their heads for the whole site. */
export async function standingInHead(db: Handle, siteId: number): Promise<string[]> {
  const rows = await db
    .select({ digest: siteNeed.digest })
    .from(siteNeed)
    .where(and(eq(siteNeed.siteId, siteId), eq(siteNeed.stands, 'yes')));
  return rows.map(({ digest }) => digest);
}

/** What a sweep looks for in the head of a page: by its digest the text. */
export async function soughtInHead(
  db: Handle,
  siteId: number,
  kept: readonly string[],
): Promise<{ digest: string; text: string }[]> {
  const rows = await needs(db).where(
    and(
      eq(siteNeed.siteId, siteId),
      or(
        isNotNull(siteNeed.issued),
        eq(siteNeed.stands, 'yes'),
        ...(kept.length > 0 ? [inArray(siteNeed.digest, [...kept])] : []),
      ),
    ),
  );
  return rows.map(({ need, runs }) => ({ digest: need.digest, text: snippetText({ runs }) }));
}

/** What a page showed of what is sought in the site’s head. */
export interface HeadSeen {
  digest: string;
  stands: boolean;
}

/** Writes down what a page showed of its site’s head, where that is something new. */
export async function recordHead(
  tx: Handle,
  { pageId, siteId }: { pageId: number; siteId: number },
  seen: readonly HeadSeen[],
  now: Date,
): Promise<void> {
  for (const { digest, stands } of [...seen].sort((a, b) => (a.digest < b.digest ? -1 : 1))) {
    const state = stands ? 'yes' : 'no';
    const key = and(eq(siteNeed.siteId, siteId), eq(siteNeed.digest, digest));
    const [row] = await tx.select({ stands: siteNeed.stands }).from(siteNeed).where(key);
    if (!row || row.stands === state) continue;
    await tx.update(siteNeed).set({ stands: state, standsOn: pageId, standsSince: now }).where(key);
  }
}

/** How many pages still carry codes that were handed out for a text in the site’s head. */
export async function pagesRestingOn(db: Handle, siteId: number, textDigest: string): Promise<number> {
  const [row] = await db
    .select({ pages: countDistinct(placement.pageId) })
    .from(snippet)
    .innerJoin(
      deliverySnippet,
      and(eq(deliverySnippet.snippetId, snippet.id), eq(deliverySnippet.position, 'site-head')),
    )
    .innerJoin(delivery, eq(delivery.id, deliverySnippet.deliveryId))
    .innerJoin(
      placement,
      and(
        eq(placement.id, delivery.placementId),
        eq(placement.seenDelivery, delivery.number),
        eq(placement.siteId, siteId),
        inArray(placement.seen, ['live', 'altered']),
      ),
    )
    .where(eq(snippet.textDigest, textDigest));
  return row?.pages ?? 0;
}

/** What was handed out for the head of a site. */
export interface IssuedHead {
  id: number;
  number: number;
  digest: string;
  createdAt: Date;
  snippets: Snippet[];
}

export async function lastHeadDelivery(
  db: Handle,
  siteId: number,
): Promise<typeof headDelivery.$inferSelect | null> {
  const [row] = await db
    .select()
    .from(headDelivery)
    .where(eq(headDelivery.siteId, siteId))
    .orderBy(desc(headDelivery.number))
    .limit(1);
  return row ?? null;
}

/** What was handed out for a site’s head, the newest first. */
export async function listHeadDeliveries(
  db: Handle,
  siteId: number,
  limit: number,
  after: string | undefined,
): Promise<IssuedHead[]> {
  const from = afterId(after);
  const rows = await db
    .select()
    .from(headDelivery)
    .where(and(eq(headDelivery.siteId, siteId), from === null ? undefined : lt(headDelivery.id, from)))
    .orderBy(desc(headDelivery.id))
    .limit(limit + 1);
  if (rows.length === 0) return [];
  const parts = await db
    .select({ deliveryId: headDeliverySnippet.deliveryId, runs: snippet.runs })
    .from(headDeliverySnippet)
    .innerJoin(snippet, eq(snippet.id, headDeliverySnippet.snippetId))
    .where(
      inArray(
        headDeliverySnippet.deliveryId,
        rows.map(({ id }) => id),
      ),
    )
    .orderBy(asc(headDeliverySnippet.deliveryId), asc(headDeliverySnippet.at));
  const byDelivery = groupBy(parts, ({ deliveryId }) => deliveryId);
  return rows.map(({ id, number, digest, createdAt }) => ({
    ...{ id, number, digest, createdAt },
    snippets: (byDelivery.get(id) ?? []).map(({ runs }): Snippet => ({ position: 'site-head', runs })),
  }));
}

/** Writes down the next delivery for a site’s head. Call it in a transaction that holds the site’s row. */
export async function insertHeadDelivery(
  tx: Handle,
  values: { siteId: number; number: number; digest: string },
  things: readonly SiteNeedRow[],
  { by, now }: Actor,
): Promise<void> {
  const [{ insertId: deliveryId }] = await tx
    .insert(headDelivery)
    .values({ ...values, createdAt: now, createdBy: by });
  await insertMany(
    tx,
    headDeliverySnippet,
    things.map(({ snippetId }, at) => ({ deliveryId, at, snippetId })),
  );
  await tx
    .update(siteNeed)
    .set({ issued: values.number })
    .where(
      and(
        eq(siteNeed.siteId, values.siteId),
        inArray(
          siteNeed.digest,
          things.map(({ digest }) => digest),
        ),
      ),
    );
}

/** Takes away what is known of a site’s head, with the site. Call it in a transaction. */
export async function deleteHead(tx: Handle, siteId: number): Promise<void> {
  const own = tx.select({ id: headDelivery.id }).from(headDelivery).where(eq(headDelivery.siteId, siteId));
  await tx.delete(headDeliverySnippet).where(inArray(headDeliverySnippet.deliveryId, own));
  await tx.delete(headDelivery).where(eq(headDelivery.siteId, siteId));
  await tx.delete(siteNeed).where(eq(siteNeed.siteId, siteId));
}
