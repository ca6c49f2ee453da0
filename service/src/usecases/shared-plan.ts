import { mayAt, OrbisError, type PagePlan, type SharedPlan } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { pageUrl } from '../serializers/places.ts';
import { placementsOn } from '../store/placements.ts';
import { findPlanLink, type LinkedPlan } from '../store/plan-links.ts';
import type { Actor } from '../store/embeds.ts';
import { personById } from '../store/people.ts';
import { rightsOf } from '../store/site-people.ts';
import { deliver } from './deliver.ts';
import { planPage, type PlanTools } from './planning.ts';
import type { RenderContext } from './render-context.ts';
import { showPlan } from './shown-plan.ts';
import { deliverHead } from './site-head.ts';

/**
 * What a link leads to. It lets nobody do more than whoever made it may still do themselves.
 * @throws OrbisError `link-over`
 */
export async function sharedBy(db: Handle, secret: string, now: Date): Promise<LinkedPlan> {
  const found = await findPlanLink(db, secret, now);
  const maker = found && (await personById(db, found.link.createdBy!));
  if (!maker || maker.removedAt !== null || !mayAt(await rightsOf(db, maker), 'paste', found.site.id))
    throw new OrbisError('link-over');
  return found;
}

/** The steps of a page as whoever has a link sees them. */
export async function sharePlan(
  db: Database,
  { site, page, link }: LinkedPlan,
  { page: key, block, snippets, steps, editor }: PagePlan,
): Promise<SharedPlan> {
  const rows = await placementsOn(db, page.id);
  return {
    ...{ page: key, block, snippets, steps, editor },
    title: page.title,
    url: pageUrl(site, page),
    name: link.name,
    embeds: rows.map(({ placement, embed }) => ({ placement: placement.publicId, name: embed.name })),
    expiresAt: link.expiresAt.toISOString(),
  };
}

/**
 * What is pasted for a step of a shared plan. It is handed out in the name of whoever made the link.
 * @throws OrbisError `work-changed` where the plan has no such step any more
 */
export async function handOutStep(
  { site, page, link }: LinkedPlan,
  step: string,
  tools: PlanTools,
  renderContext: RenderContext,
): Promise<string> {
  const { db, now } = tools;
  const plan = await showPlan(db, { site, page }, renderContext);
  const known = plan.steps.find(({ id }) => id === step);
  const snippet = plan.snippets.find(
    ({ digest, position }) => digest === known?.digest && position === known.position,
  );
  if (!snippet) throw new OrbisError('work-changed', { page: plan.page });
  const actor: Actor = { by: link.createdBy!, now: now() };
  if (snippet.position === 'site-head') await deliverHead(db, site.key, actor);
  if (snippet.position !== 'spot') return snippet.text;
  const row = (await placementsOn(db, page.id)).find(
    ({ placement }) => placement.publicId === snippet.placements[0],
  )!;
  const { issued, isFirstServed } = await deliver(db, row, renderContext, actor);
  if (isFirstServed) await planPage(page.id, tools);
  return issued.text;
}
