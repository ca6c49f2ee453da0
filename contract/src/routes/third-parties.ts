import { z } from '../zod.ts';
import { siteKey } from '../place.ts';
import { placementDays } from '../placement-days.ts';
import { thirdParties } from '../third-parties.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

/** What is placed as a whole: whom browsers contact for it, and how it was day by day. */
export const thirdPartyRoutes = {
  'thirdParties.read': route({
    ...paths['thirdParties.read'],
    summary: 'Whom the browsers of visitors contact for what is placed: on one site, or on all',
    tag: 'Register',
    query: z.strictObject({ site: siteKey.optional() }),
    answer: thirdParties,
    statuses: [200],
    errors: ['not-found'],
  }),
  'placementDays.read': route({
    ...paths['placementDays.read'],
    summary:
      'How many placements were in each state, day by day, of the last 90 days, and for how long those that are out of date have been: on one site, or on all',
    tag: 'Register',
    query: z.strictObject({ site: siteKey.optional() }),
    answer: placementDays,
    statuses: [200],
    errors: ['not-found'],
  }),
};
