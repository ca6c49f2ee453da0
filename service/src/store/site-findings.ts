import { and, eq, exists, gt, inArray, isNull, or, sql } from 'drizzle-orm';
import { mostToDo } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { eachOf } from './each-of.ts';
import { keepFound, type Found } from './findings.ts';
import { scopesLike } from './list-findings.ts';
import { page, placement, site, siteNeed } from './schema.ts';

/**
 * Says anew what holds of whole sites: how much on them is out of date, and what is missing or left over in
 * the heads of their pages. It follows from what was planned and seen, so that it is looked up now and then.
 */
export async function keepSiteFindings(db: Database, now: Date): Promise<void> {
  const before = (await scopesLike(db, 'site:')).map((scope) => Number(scope.slice('site:'.length)));
  const rows = await db
    .select({ id: site.id, headKept: site.headKept })
    .from(site)
    .where(
      and(
        isNull(site.goneAt),
        or(
          before.length === 0 ? undefined : inArray(site.id, before),
          exists(outOfDateOn(db)),
          exists(oddInHead(db)),
        ),
      ),
    );
  const gone = before.filter((id) => !rows.some((row) => row.id === id));
  await eachOf(gone, (id) => inTransaction(db, (tx) => keepFound(tx, `site:${id}`, [], now)));
  await eachOf(rows, (row) =>
    inTransaction(db, async (tx) => keepFound(tx, `site:${row.id}`, await foundOn(tx, row), now)),
  );
}

const isOutOfDate = and(eq(placement.active, 1), eq(placement.state, 'out-of-date'));
const outOfDateOn = (db: Handle) =>
  db
    .select({ one: sql`1` })
    .from(placement)
    .where(and(eq(placement.siteId, site.id), isOutOfDate));

/* Needed and not there, or there and not needed. */
const isOdd = or(
  and(eq(siteNeed.stands, 'no'), gt(siteNeed.pages, 0)),
  and(eq(siteNeed.stands, 'yes'), eq(siteNeed.pages, 0)),
);
const oddInHead = (db: Handle) =>
  db
    .select({ one: sql`1` })
    .from(siteNeed)
    .where(and(eq(siteNeed.siteId, site.id), isOdd));

type SiteOf = Pick<typeof site.$inferSelect, 'id' | 'headKept'>;

async function foundOn(tx: Handle, { id, headKept }: SiteOf): Promise<Found[]> {
  const where = { siteId: id, pageId: null, placementId: null };
  const first = tx
    .select({ id: placement.id })
    .from(placement)
    .where(and(eq(placement.siteId, id), isOutOfDate))
    .limit(mostToDo)
    .as('out_of_date');
  const [counted] = await tx.select({ count: sql<number>`count(*)`.mapWith(Number) }).from(first);
  const needs = await tx
    .select({ need: siteNeed, path: page.path, key: site.key })
    .from(siteNeed)
    .innerJoin(site, eq(site.id, siteNeed.siteId))
    .leftJoin(page, eq(page.id, siteNeed.standsOn))
    .where(and(eq(siteNeed.siteId, id), isOdd));
  return [
    ...(counted!.count === 0
      ? []
      : [
          {
            ...{ rule: 'site-out-of-date', level: 'warning' as const, about: `site:${id}`, ...where },
            facts: { count: counted!.count, most: mostToDo },
          },
        ]),
    ...needs
      // What is not meant for the head of the whole site stands with each page.
      .filter(({ need }) => need.stands === 'yes' || headKept.includes(need.digest))
      .map(({ need, path, key }): Found => {
        const facts = { what: need.what, name: need.name, page: `${key}/${path ?? ''}` };
        const about = `site:${id} ${need.digest}`;
        return need.stands === 'no'
          ? { rule: 'site-head-missing', level: 'error', about, ...where, facts }
          : { rule: 'site-head-left-over', level: 'note', about, ...where, facts };
      }),
  ];
}
