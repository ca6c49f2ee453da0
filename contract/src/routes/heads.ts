import { z } from '../zod.ts';
import { listQuery } from '../common.ts';
import { siteKey } from '../place.ts';
import { headDeliveries, headDelivery, headDigest, siteHead } from '../site-head.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Placing';
const digests = z.array(headDigest).max(100).default([]);

/** The heads of whole sites. */
export const headRoutes = {
  'heads.read': route({
    ...paths['heads.read'],
    summary: 'What the pages of a site need once, and what of it belongs into the head of the whole site',
    tag,
    params: z.object({ site: siteKey }),
    answer: siteHead,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'heads.change': route({
    ...paths['heads.change'],
    summary:
      'Choose what stands once in the head of the whole site; what must stand before it comes along, what needs it leaves with it',
    tag,
    params: z.object({ site: siteKey }),
    ifMatch: true,
    body: z.strictObject({ keep: digests, leave: digests }),
    answer: siteHead,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'headDeliveries.create': route({
    ...paths['headDeliveries.create'],
    summary:
      'What to paste now into the head of the whole site: the next delivery, or the last one (200) where nothing differs',
    tag,
    params: z.object({ site: siteKey }),
    answer: headDelivery,
    statuses: [201, 200],
    location: ({ site }) => pathOf('headDeliveries.list', { site }),
    errors: ['not-found'],
  }),
  'headDeliveries.list': route({
    ...paths['headDeliveries.list'],
    summary: 'Everything that was issued for the head of a whole site, newest first',
    tag: 'Register',
    params: z.object({ site: siteKey }),
    query: listQuery,
    answer: headDeliveries,
    statuses: [200],
    errors: ['not-found'],
  }),
};
