import type { PagePlan as CorePagePlan } from '@orbis/core';
import type { PagePlan } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { blockOf, pageKeyOf } from '../serializers/places.ts';
import { serializePlan } from '../serializers/plans.ts';
import { filledBlocksOn } from '../store/blocks.ts';
import { placementsOn } from '../store/placements.ts';
import type { PageRow, SiteRow } from '../store/places.ts';
import { ticksOn } from '../store/step-ticks.ts';
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
  const filled: FilledPage = {
    rows: await placementsOn(db, page.id),
    blocks: await filledBlocksOn(db, page),
  };
  const { rows } = filled;
  const plan = await planNow(db, { site, page }, filled, renderContext);
  const shows = filled.blocks.map((shown) => ({
    page: pageKeyOf({ site, page: shown.block }),
    title: shown.block.title,
    placements: shown.rows.length,
  }));
  return serializePlan(
    { page: pageKeyOf({ site, page }), block: blockOf(page), shows },
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
