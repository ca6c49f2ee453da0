import { mostTermsToSee, mostToDo, mostToTell, wantingStates, type Today } from '@orbis/contract';
import { serializeKeptFinding } from '../serializers/kept-findings.ts';
import { countAllOpen } from '../store/finding-counts.ts';
import { listFindings } from '../store/list-findings.ts';
import { countMessages } from '../store/messages.ts';
import { countStale } from '../store/stale.ts';
import { countInState, lastSwept, whatThereIs } from '../store/today.ts';
import type { CopyPlan } from '../copies/plan.ts';
import { tellCopyStanding } from './copies.ts';
import { termsToLookAt } from './terms.ts';
import { pagesAtOnce, planNext, type PlanTools } from './planning.ts';

/* How much is out of date is said by the states, and contracts stand by themselves. */
const toldElsewhere: ReadonlySet<string> = new Set([
  'site-out-of-date',
  'contract-over',
  'contract-ends',
  'views-used-up',
  'views-run-short',
]);

/** What wants doing. A few pages that wait are planned first, so that little is left open. */
export async function readToday(tools: PlanTools, plan: CopyPlan | null): Promise<Today> {
  const { db } = tools;
  const { sheets } = await tools.renderContext();
  await planNext(pagesAtOnce, tools);
  const copies = await tellCopyStanding(db, plan, tools.now());
  const states = await Promise.all(
    wantingStates.map(async (state) => ({ state, count: await countInState(db, state, mostToDo) })),
  );
  return {
    states: states.filter(({ count }) => count > 0),
    waiting: await countStale(db),
    has: await whatThereIs(db),
    findings: (await listFindings(db, { list: 'open' }, mostToTell, undefined)).items
      .map(serializeKeptFinding)
      .filter(({ level, rule }) => level !== 'note' && !toldElsewhere.has(rule)),
    open: await countAllOpen(db),
    undelivered: await countMessages(db, { state: 'dead' }, mostToDo),
    terms: await termsToLookAt(mostTermsToSee, { db, sheets, now: tools.now() }),
    copies: copies.standing,
    copiedAt: copies.lastAt,
    copyReadBack: copies.lastReadBack,
    sweptAt: (await lastSwept(db))?.toISOString() ?? null,
  };
}
