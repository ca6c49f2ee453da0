import { z } from '../zod.ts';
import { listQuery, publicId } from '../common.ts';
import { embedName, embedSummary, harvest, lists, tags } from '../resources.ts';
import { pathOf, paths } from './paths.ts';
import { mostWithCode, route } from './route.ts';

const params = z.object({ harvest: publicId });

export const harvestRoutes = {
  'harvests.create': route({
    ...paths['harvests.create'],
    summary: 'Read a whole page, and find every embed on it',
    tag: 'Harvest',
    most: mostWithCode,
    body: z.union([
      z.strictObject({
        address: z
          .url({ protocol: /^https?$/ })
          .max(2000)
          .meta({ description: 'The page’s address; the service reads it' }),
      }),
      z.strictObject({
        text: z.string().min(1).meta({ description: 'A saved page' }),
        name: z
          .string()
          .max(200)
          .optional()
          .meta({ description: 'What the page is called, for instance its file' }),
      }),
    ]),
    answer: harvest,
    statuses: [201],
    location: ({ id: harvest }) => pathOf('harvests.read', { harvest }),
    errors: ['page-unreadable', 'text-too-much', 'reading-too-slow'],
  }),
  'harvests.list': route({
    ...paths['harvests.list'],
    summary: 'Pages that were harvested, newest first',
    tag: 'Harvest',
    query: listQuery,
    answer: lists.harvests,
    statuses: [200],
    errors: [],
  }),
  'harvests.read': route({
    ...paths['harvests.read'],
    summary: 'One harvest with what was found, and which were taken',
    tag: 'Harvest',
    params,
    answer: harvest,
    statuses: [200],
    errors: ['not-found'],
  }),
  'harvests.take': route({
    ...paths['harvests.take'],
    summary: 'Collect what was found: all of these, or none',
    tag: 'Harvest',
    params,
    body: z.strictObject({
      items: z
        .array(z.strictObject({ number: z.number().int().min(1), name: embedName.optional() }))
        .min(1)
        .max(200),
      tags: tags.default([]),
    }),
    answer: z.object({ items: z.array(embedSummary) }),
    statuses: [201],
    location: () => pathOf('embeds.list'),
    errors: ['not-found', 'already-taken'],
  }),
};
