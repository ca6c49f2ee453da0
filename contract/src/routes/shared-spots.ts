import { z } from '../zod.ts';
import { listQuery } from '../common.ts';
import { sharedSpotKey, siteKey } from '../place.ts';
import { lists } from '../resources.ts';
import { sharedSpot, sharedUnder, spotValues } from '../spot.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Placing';
const params = z.object({ shared: sharedSpotKey });
const under = sharedUnder.default('');

/** Spots that many pages of a site have, said once for all of them. */
export const sharedSpotRoutes = {
  'sharedSpots.list': route({
    ...paths['sharedSpots.list'],
    summary: 'The spots that many pages have, in the order of adding',
    tag,
    query: listQuery.extend({ site: siteKey.optional() }),
    answer: lists.sharedSpots,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sharedSpots.create': route({
    ...paths['sharedSpots.create'],
    summary: 'Say of a spot that many pages of a site have it, with its size and where it is on each',
    tag,
    body: z.strictObject({
      key: sharedSpotKey,
      under,
      ...spotValues.shape,
      takesIn: z.boolean().default(false).meta({
        description: 'Whether spots of this name that pages have by themselves are as it says from now on',
      }),
    }),
    answer: sharedSpot,
    statuses: [201],
    etag: true,
    location: ({ key }) => pathOf('sharedSpots.read', { shared: key }),
    errors: ['key-taken', 'not-found', 'too-many-shared-spots'],
  }),
  'sharedSpots.read': route({
    ...paths['sharedSpots.read'],
    summary: 'One spot that many pages have',
    tag,
    params,
    answer: sharedSpot,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'sharedSpots.change': route({
    ...paths['sharedSpots.change'],
    summary: 'Say anew which pages have a spot, how large it is on each, and where',
    tag,
    params,
    ifMatch: true,
    body: z.strictObject({ under, ...spotValues.shape }),
    answer: sharedSpot,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'sharedSpots.delete': route({
    ...paths['sharedSpots.delete'],
    summary: 'Say of a spot no more that many pages have it; where something was placed, it stays as it is',
    tag,
    params,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found'],
  }),
};
