import { OrbisError, type PlanLink } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { pageKeyOf } from '../../serializers/places.ts';
import type { Act } from '../../store/act.ts';
import { keyset } from '../../store/pages.ts';
import {
  deletePlanLink,
  insertPlanLink,
  listPlanLinks,
  type LinkedPlan,
  type PlanLinkRow,
} from '../../store/plan-links.ts';
import { pageByKey } from '../../usecases/places.ts';
import { planTools } from '../../usecases/planning.ts';
import { handOutStep, sharedBy, sharePlan } from '../../usecases/shared-plan.ts';
import { showPlan } from '../../usecases/shown-plan.ts';
import { tickStep } from '../../usecases/tick-step.ts';
import type { Handlers, Named } from '../reply.ts';

/** Plans of pages, what of them is done, and links for whoever does it. */
export function planHandlers(deps: Deps): Handlers<Named<'plans' | 'planLinks' | 'sharedPlans'>> {
  const { connection, renderContext, now, origins } = deps;
  const { db } = connection;
  return {
    'plans.read': async ({ params }) => ({
      data: await showPlan(db, await pageByKey(db, params.page), renderContext()),
    }),
    'plans.tick': async ({ params, body, actor }) => {
      const place = await pageByKey(db, params.page);
      const by = { ticker: { personId: actor.by }, now: actor.now, renderContext: renderContext() };
      return { data: await tickStep(db, place, body, by) };
    },
    'planLinks.list': async ({ params, query }) => {
      const { page } = await pageByKey(db, params.page);
      const rows = await listPlanLinks(db, page, { ...query, after: query.after, now: now() });
      return { data: keyset(rows, query.limit, serializeLink) };
    },
    'planLinks.create': async ({ params, body, actor }) => {
      const { page } = await pageByKey(db, params.page);
      const { row, secret } = await insertPlanLink(db, page, body, actor);
      // Behind the #, browsers keep it to themselves: it stands in no log and in no Referer.
      return { status: 201, data: { ...serializeLink(row), url: `${origins().console}/steps#${secret}` } };
    },
    'planLinks.delete': async ({ params }) => {
      const { page } = await pageByKey(db, params.page);
      if (!(await deletePlanLink(db, page, params.link)))
        throw new OrbisError('not-found', { what: 'link to this plan', key: params.link });
      return { data: undefined, status: 204 };
    },
    'sharedPlans.read': async ({ body }) => {
      const shared = await sharedBy(db, body.link, now());
      return { data: await sharePlan(db, shared, await showPlan(db, shared, renderContext())) };
    },
    'sharedPlans.handOut': async ({ body, act }) => {
      const shared = await sharedBy(db, body.link, now());
      byLink(act, shared);
      return { data: { text: await handOutStep(shared, body.step, planTools(deps), renderContext()) } };
    },
    'sharedPlans.tick': async ({ body, act }) => {
      const shared = await sharedBy(db, body.link, now());
      byLink(act, shared);
      const ticker = { linkName: shared.link.name };
      const plan = await tickStep(db, shared, body, { ticker, now: now(), renderContext: renderContext() });
      return { data: await sharePlan(db, shared, plan) };
    },
  };
}

/* Whoever has a link acts by it; whom it is for was said when it was made. */
const byLink = (act: Act, { link, site, page }: LinkedPlan): void =>
  void Object.assign(act, {
    ...{ who: link.name, means: 'link' },
    thing: pageKeyOf({ site, page }),
  });

const serializeLink = ({ publicId, name, createdAt, expiresAt }: PlanLinkRow): PlanLink => ({
  ...{ id: publicId, name },
  createdAt: createdAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
});
