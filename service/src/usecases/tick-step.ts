import { OrbisError, type PagePlan } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { pageKeyOf } from '../serializers/places.ts';
import { askForCheck } from '../store/page-checks.ts';
import { deleteTick, insertTick, ticksOn, type Ticker } from '../store/step-ticks.ts';
import type { RenderContext } from './render-context.ts';
import { showPlan, type PlannedPage } from './shown-plan.ts';

/**
 * Says that a step of a page’s plan is done, or that it is not; the plan as it is then.
 * @throws OrbisError `work-changed` where the plan has no such step to do any more, `already-ticked`
 */
export async function tickStep(
  db: Database,
  place: PlannedPage,
  { step, done }: { step: string; done: boolean },
  { ticker, now, renderContext }: { ticker: Ticker; now: Date; renderContext: RenderContext },
): Promise<PagePlan> {
  const { page } = place;
  const { steps } = await showPlan(db, place, renderContext);
  const current = steps.filter(({ action }) => action !== 'already-there').map(({ id }) => id);
  if (!current.includes(step)) throw new OrbisError('work-changed', { page: pageKeyOf(place) });
  if (!done) await deleteTick(db, page, step);
  else if (!(await inTransaction(db, (tx) => tick(tx, place, { step, current }, ticker, now)))) {
    const known = (await ticksOn(db, page)).find((tick) => tick.step === step);
    const facts = {
      page: pageKeyOf(place),
      step,
      by: known?.by ?? null,
      at: known?.at.toISOString() ?? null,
    };
    throw new OrbisError('already-ticked', facts);
  }
  return showPlan(db, place, renderContext);
}

/* With it the page is read by itself, to see whether it has arrived. */
async function tick(
  tx: Handle,
  place: PlannedPage,
  steps: { step: string; current: readonly string[] },
  ticker: Ticker,
  now: Date,
): Promise<boolean> {
  const isNew = await insertTick(tx, place.page, steps, ticker, now);
  if (isNew) await askForCheck(tx, place);
  return isNew;
}
