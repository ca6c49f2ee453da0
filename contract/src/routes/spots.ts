import { z } from '../zod.ts';
import { pageKey, spotKey } from '../place.ts';
import { standing } from '../register.ts';
import { pageSurvey, spot, spotSelector, spotValues } from '../spot.ts';
import { goingAlong } from './going-along.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

/** Spots of pages, and what a page offers for them. */
export const spotRoutes = {
  'spots.create': route({
    ...paths['spots.create'],
    summary: 'Name a position on a page, with its size and where it is',
    tag: 'Placing',
    body: z.strictObject({ key: spotKey, ...spotValues.shape }),
    answer: spot,
    statuses: [201],
    etag: true,
    location: ({ key: spot }) => pathOf('spots.read', { spot }),
    errors: ['key-taken', 'not-found'],
  }),
  'spots.change': route({
    ...paths['spots.change'],
    summary: 'Say anew how large a spot is, and where',
    tag: 'Placing',
    params: z.object({ spot: spotKey }),
    ifMatch: true,
    body: z.strictObject({
      ...spotValues.shape,
      shared: z.boolean().default(false).meta({
        description: 'Be as the site’s shared spot of this name says; the other values do not count then',
      }),
    }),
    answer: spot,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'spots.read': route({
    ...paths['spots.read'],
    summary: 'One spot',
    tag: 'Placing',
    params: z.object({ spot: spotKey }),
    answer: spot,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'spots.standing': route({
    ...paths['spots.standing'],
    summary: 'What is placed in a spot, which ends when it is removed',
    tag: 'Placing',
    params: z.object({ spot: spotKey }),
    answer: standing,
    statuses: [200],
    errors: ['not-found'],
  }),
  'spots.delete': route({
    ...paths['spots.delete'],
    summary: 'Remove a spot; what was issued for what is placed in it is kept',
    tag: 'Placing',
    params: z.object({ spot: spotKey }),
    query: goingAlong,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found', 'in-use'],
  }),
  'pageSurveys.create': route({
    ...paths['pageSurveys.create'],
    summary: 'Look at a published page with a browser: its picture, and the elements that spots can be in',
    tag: 'Looking',
    readOnly: true,
    params: z.object({ page: pageKey }),
    body: z.strictObject({
      selector: spotSelector.optional().meta({
        description:
          'Only the first element that this CSS selector finds. Without it: those that can hold an embed',
      }),
    }),
    answer: pageSurvey,
    statuses: [200],
    errors: [
      'not-found',
      'nothing-to-sweep',
      'page-unreadable',
      'selector-finds-nothing',
      'browser-missing',
      'browser-failed',
      'browser-too-slow',
      'browser-busy',
    ],
  }),
};
