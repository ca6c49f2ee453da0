import { z } from '../zod.ts';
import { siteKey } from '../place.ts';
import { thirdParties } from '../third-parties.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

/** Whom browsers contact for what is placed. */
export const thirdPartyRoutes = {
  'thirdParties.read': route({
    ...paths['thirdParties.read'],
    summary: 'Whom the browsers of visitors contact for what is placed: on one site, or on all',
    tag: 'Register',
    access: 'owner',
    query: z.strictObject({ site: siteKey.optional() }),
    answer: thirdParties,
    statuses: [200],
    errors: ['not-found'],
  }),
};
