import { z } from '../zod.ts';
import { listQuery, publicId } from '../common.ts';
import { pageKey, siteKey } from '../place.ts';
import { sweep } from '../register.ts';
import { lists } from '../resources.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Sweeping';
const params = z.object({ sweep: publicId });

export const sweepRoutes = {
  'sweeps.create': route({
    ...paths['sweeps.create'],
    summary: 'Read the published pages: all of them, those of a site, or one; or those of a preview',
    tag,
    body: z
      .strictObject({
        site: siteKey.optional(),
        page: pageKey.optional(),
        at: z.string().trim().max(500).optional().meta({
          description:
            'One of the further addresses of the site, such as a preview: what is seen there is told, and says nothing of what is published',
        }),
      })
      .refine(({ site, page, at }) => at === undefined || (site ?? page) !== undefined, {
        path: ['at'],
        error: 'is an address of one site: name the site, or one of its pages',
      }),
    answer: sweep,
    statuses: [202],
    location: ({ id: sweep }) => pathOf('sweeps.read', { sweep }),
    errors: ['not-found', 'address-not-of-site', 'nothing-to-sweep', 'job-running'],
  }),
  'sweeps.list': route({
    ...paths['sweeps.list'],
    summary: 'Sweeps, newest first',
    tag,
    query: listQuery,
    answer: lists.sweeps,
    statuses: [200],
    errors: [],
  }),
  'sweeps.read': route({
    ...paths['sweeps.read'],
    summary: 'How far a sweep is, and what it saw',
    tag,
    params,
    answer: sweep,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sweeps.pages': route({
    ...paths['sweeps.pages'],
    summary: 'What a sweep saw, page by page',
    tag,
    params,
    query: listQuery,
    answer: lists.sweepPages,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sweeps.onPage': route({
    ...paths['sweeps.onPage'],
    summary: 'What sweeps saw on a page, the newest first: only where it was something new',
    tag,
    params: z.object({ page: pageKey }),
    query: listQuery,
    answer: lists.pageNews,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sweeps.events': route({
    ...paths['sweeps.events'],
    summary: 'Watch a sweep (Server-Sent Events); ends when it ends',
    tag,
    params,
    answer: sweep,
    statuses: [200],
    events: true,
    errors: ['not-found'],
  }),
  'sweeps.stop': route({
    ...paths['sweeps.stop'],
    summary: 'Stop a sweep at the page where it is',
    tag,
    params,
    answer: sweep,
    statuses: [200],
    errors: ['not-found', 'sweep-ended'],
  }),
  'sweeps.pause': route({
    ...paths['sweeps.pause'],
    summary: 'Hold a sweep back at the pages where it is, until it is resumed',
    tag,
    params,
    answer: sweep,
    statuses: [200],
    errors: ['not-found', 'sweep-ended'],
  }),
  'sweeps.resume': route({
    ...paths['sweeps.resume'],
    summary: 'Let a sweep go on that was held back',
    tag,
    params,
    answer: sweep,
    statuses: [200],
    errors: ['not-found', 'sweep-ended'],
  }),
};
