import type { Operation } from './operation.ts';

/** What is to be pasted where: the steps of pages, the heads of sites, change lists. */
export const plansPaths = {
  'changeLists.list': { method: 'get', path: '/change-lists', needs: 'see' },
  'changeLists.create': { method: 'post', path: '/change-lists', needs: 'place' },
  'changeLists.read': { method: 'get', path: '/change-lists/:list', needs: 'see' },
  'changeLists.fill': { method: 'post', path: '/change-lists/:list/pages', needs: 'place' },
  'changeLists.delete': { method: 'delete', path: '/change-lists/:list', needs: 'place' },
  'changeListPages.list': { method: 'get', path: '/change-lists/:list/pages', needs: 'see' },
  'changeListPages.read': { method: 'get', path: '/change-lists/:list/pages/:page', needs: 'see' },
  'changeListPages.tick': { method: 'post', path: '/change-lists/:list/pages/:page/tick', needs: 'paste' },
  'changeListPages.untick': {
    method: 'delete',
    path: '/change-lists/:list/pages/:page/tick',
    needs: 'paste',
  },
  'heads.read': { method: 'get', path: '/sites/:site/head', needs: 'see', at: { site: 'params.site' } },
  'heads.change': { method: 'patch', path: '/sites/:site/head', needs: 'place', at: { site: 'params.site' } },
  'headDeliveries.create': {
    method: 'post',
    path: '/sites/:site/head/deliveries',
    needs: 'paste',
    at: { site: 'params.site' },
  },
  'headDeliveries.list': {
    method: 'get',
    path: '/sites/:site/head/deliveries',
    needs: 'see',
    at: { site: 'params.site' },
  },
  'plans.read': { method: 'get', path: '/pages/:page/plan', needs: 'see', at: { page: 'params.page' } },
  'plans.tick': {
    method: 'post',
    path: '/pages/:page/plan/ticks',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.list': {
    method: 'get',
    path: '/pages/:page/plan/links',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.create': {
    method: 'post',
    path: '/pages/:page/plan/links',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'planLinks.delete': {
    method: 'delete',
    path: '/pages/:page/plan/links/:link',
    needs: 'paste',
    at: { page: 'params.page' },
  },
  'sharedPlans.read': { method: 'post', path: '/shared-plans', needs: 'open' },
  'sharedPlans.handOut': { method: 'post', path: '/shared-plans/codes', needs: 'open' },
  'sharedPlans.tick': { method: 'post', path: '/shared-plans/ticks', needs: 'open' },
  'deliveries.create': {
    method: 'post',
    path: '/placements/:placement/deliveries',
    needs: 'paste',
    at: { placement: 'params.placement' },
  },
  'deliveries.list': {
    method: 'get',
    path: '/placements/:placement/deliveries',
    needs: 'see',
    at: { placement: 'params.placement' },
  },
} as const satisfies Record<string, Operation>;
