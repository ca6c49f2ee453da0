import type { PagePlan as CorePagePlan } from '@orbis/core';
import type { PagePlan } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { pageKeyOf } from '../serializers/places.ts';
import { serializePlan } from '../serializers/plans.ts';
import type { PageRow, SiteRow } from '../store/places.ts';
import { ticksOn } from '../store/step-ticks.ts';
import { filledPage } from './filled-page.ts';
import { nextMarks } from './next-marks.ts';
import { onPage } from './on-page.ts';
import { isWanted, planOf, type FilledPage } from './page-plan.ts';
import type { RenderContext } from './render-context.ts';

/** A page and its site. */
export interface PlannedPage {
  site: SiteRow;
  page: PageRow;
}

/** The plan of a page as people see it: with the marks that the codes would have, and what is ticked. */
export async function showPlan(
  db: Handle,
  { site, page }: PlannedPage,
  renderContext: RenderContext,
): Promise<PagePlan> {
  const filled = await filledPage(db, page.id);
  const { rows } = filled;
  const plan = await planNow(db, { site, page }, filled, renderContext);
  return serializePlan(
    pageKeyOf({ site, page }),
    plan,
    { marks: await nextMarks(db, rows, plan), ticks: await ticksOn(db, page) },
    site.editor,
  );
}

const planNow = async (
  db: Handle,
  place: PlannedPage,
  { rows, blocks }: FilledPage,
  renderContext: RenderContext,
): Promise<CorePagePlan> =>
  planOf({ rows: rows.filter(isWanted), blocks }, renderContext, await onPage(db, place, rows));
