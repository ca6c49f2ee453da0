import { and, desc, eq, gt, lt } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import type { Actor } from './embeds.ts';
import { newPublicId, newSecret } from './ids.ts';
import { afterId } from './pages.ts';
import type { PageRow, SiteRow } from './places.ts';
import { page, planLink, site } from './schema.ts';

export type PlanLinkRow = typeof planLink.$inferSelect;

const day = 86_400_000;

/** Makes a link to the plan of a page and gives its secret, of which only the hash is kept. */
export async function insertPlanLink(
  db: Handle,
  { id: pageId }: Pick<PageRow, 'id'>,
  { name, days }: { name: string; days: number },
  { by, now }: Actor,
): Promise<{ row: PlanLinkRow; secret: string }> {
  const secret = newSecret();
  const publicId = newPublicId();
  await db.insert(planLink).values({
    ...{ publicId, pageId, name, hash: digest(secret) },
    ...{ createdAt: now, createdBy: by, expiresAt: new Date(now.getTime() + days * day) },
  });
  const [row] = await db.select().from(planLink).where(eq(planLink.publicId, publicId));
  return { row: row!, secret };
}

/** A link, and the page whose plan it leads to. */
export interface LinkedPlan {
  link: PlanLinkRow;
  page: PageRow;
  site: SiteRow;
}

/** What the link with this secret leads to, as long as it holds. */
export async function findPlanLink(db: Handle, secret: string, now: Date): Promise<LinkedPlan | null> {
  const [row] = await db
    .select({ link: planLink, page, site })
    .from(planLink)
    .innerJoin(page, eq(page.id, planLink.pageId))
    .innerJoin(site, eq(site.id, page.siteId))
    .where(and(eq(planLink.hash, digest(secret)), gt(planLink.expiresAt, now)));
  return row ?? null;
}

/** The links to the plan of a page that hold, the newest first. */
export const listPlanLinks = (
  db: Handle,
  { id }: Pick<PageRow, 'id'>,
  { limit, after, now }: { limit: number; after: string | undefined; now: Date },
): Promise<PlanLinkRow[]> => {
  const from = afterId(after);
  return db
    .select()
    .from(planLink)
    .where(
      and(
        eq(planLink.pageId, id),
        gt(planLink.expiresAt, now),
        from === null ? undefined : lt(planLink.id, from),
      ),
    )
    .orderBy(desc(planLink.id))
    .limit(limit + 1);
};

/** How many links of somebody hold. */
export const countPlanLinksOf = (db: Handle, personId: number, now: Date): Promise<number> =>
  db.$count(planLink, and(eq(planLink.createdBy, personId), gt(planLink.expiresAt, now)));

/** Ends all links of somebody. */
export const deletePlanLinksOf = (db: Handle, personId: number): Promise<unknown> =>
  db.delete(planLink).where(eq(planLink.createdBy, personId));

/** Ends a link; false where the page has no such one. */
export async function deletePlanLink(
  db: Handle,
  { id }: Pick<PageRow, 'id'>,
  publicId: string,
): Promise<boolean> {
  const [result] = await db
    .delete(planLink)
    .where(and(eq(planLink.pageId, id), eq(planLink.publicId, publicId)));
  return result.affectedRows === 1;
}
