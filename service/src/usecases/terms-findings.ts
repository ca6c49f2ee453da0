import { daysBeforeEnd, termsFindings, type Sheet } from '@orbis/core';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { eachOf } from '../store/each-of.ts';
import { keepFound, type Found } from '../store/findings.ts';
import { scopesLike } from '../store/list-findings.ts';
import { pressingTerms, termsIn, viewsOf, type ListedTerms } from '../store/terms.ts';
import { dayOf } from './terms.ts';

/* So many are told of at once. */
const most = 200;

/**
 * Says anew which contracts end and which limits are reached: that follows from what was written down, from
 * the day, and from how often something was shown.
 */
export async function keepTermsFindings(db: Database, sheets: readonly Sheet[], now: Date): Promise<void> {
  const today = dayOf(now);
  const month = today.slice(0, 7);
  const endsBy = dayOf(new Date(now.getTime() + daysBeforeEnd * 86_400_000));
  const pressing = await pressingTerms(db, { endsBy, month, most });
  const views = await viewsOf(
    db,
    pressing.map(({ row }) => row),
    month,
  );
  const found = new Map(
    pressing.map((each) => [
      `terms:${each.row.id}`,
      foundOf(each, { views: views.get(each.row.id) ?? 0, today }, sheets),
    ]),
  );
  const gone = (await scopesLike(db, 'terms:')).filter((scope) => !found.has(scope));
  const all: [string, Found[]][] = [...found, ...gone.map((scope): [string, Found[]] => [scope, []])];
  await eachOf(all, ([scope, each]) => inTransaction(db, (tx) => keepFound(tx, scope, each, now)));
}

function foundOf(
  { row, embed }: ListedTerms,
  standing: { views: number; today: string },
  sheets: readonly Sheet[],
): Found[] {
  const name = embed ? '' : (sheets.find(({ id }) => id === row.provider)?.name ?? row.provider ?? '');
  return termsFindings(termsIn(row), standing).map(({ rule, level, facts }) => ({
    ...{ rule, level, about: `terms:${row.id}`, facts: { ...facts, name, provider: row.provider } },
    ...{ siteId: null, pageId: null, placementId: null, embedId: row.embedId },
  }));
}
