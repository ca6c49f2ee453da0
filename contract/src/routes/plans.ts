import { listQuery, pageOf, publicId } from '../common.ts';
import { pageKey } from '../place.ts';
import {
  byPlanLink,
  handedOut,
  newPlanLink,
  pagePlan,
  planLink,
  planLinkMade,
  sharedPlan,
  stepByLink,
  stepTick,
  tickByLink,
} from '../plan.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Plans';
const params = z.object({ page: pageKey });

/** The plan of a page: its steps, their ticks, and links for whoever does the pasting. */
export const planRoutes = {
  'plans.read': route({
    ...paths['plans.read'],
    summary: 'What the page needs, all of its placements together: each position, in the order of the work',
    tag,
    params,
    answer: pagePlan,
    statuses: [200],
    errors: ['not-found'],
  }),
  'plans.tick': route({
    ...paths['plans.tick'],
    summary: 'Say that a step of the plan is done, or that it is not',
    tag,
    params,
    body: stepTick,
    answer: pagePlan,
    statuses: [200],
    errors: ['not-found', 'work-changed', 'already-ticked'],
  }),
  'planLinks.list': route({
    ...paths['planLinks.list'],
    summary: 'The links by which others see the steps of a page, the newest first; not those that are over',
    tag,
    params,
    query: listQuery,
    answer: pageOf(planLink).meta({ id: 'PlanLinkPage' }),
    statuses: [200],
    errors: ['not-found'],
  }),
  'planLinks.create': route({
    ...paths['planLinks.create'],
    summary: 'Make a link that shows the steps of this page and nothing else, and lets them be ticked',
    tag,
    params,
    body: newPlanLink,
    answer: planLinkMade,
    statuses: [201],
    location: () => pathOf('sharedPlans.read'),
    errors: ['not-found'],
  }),
  'planLinks.delete': route({
    ...paths['planLinks.delete'],
    summary: 'End a link before its time; what was ticked by it stays ticked',
    tag,
    params: params.extend({ link: publicId }),
    statuses: [204],
    errors: ['not-found'],
  }),
  'sharedPlans.read': route({
    ...paths['sharedPlans.read'],
    summary: 'The steps of the page that a link is for',
    tag,
    body: byPlanLink,
    readOnly: true,
    answer: sharedPlan,
    statuses: [200],
    errors: ['link-over'],
  }),
  'sharedPlans.handOut': route({
    ...paths['sharedPlans.handOut'],
    summary: 'What is pasted for a step, kept under its number so that a sweep knows it',
    tag,
    body: stepByLink,
    answer: handedOut,
    statuses: [200],
    errors: ['link-over', 'work-changed'],
  }),
  'sharedPlans.tick': route({
    ...paths['sharedPlans.tick'],
    summary: 'Say that a step is done, or that it is not',
    tag,
    body: tickByLink,
    answer: sharedPlan,
    statuses: [200],
    errors: ['link-over', 'work-changed', 'already-ticked'],
  }),
};
