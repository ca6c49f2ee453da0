import { listQuery } from '../common.ts';
import { copies, copy, copyStanding } from '../copies.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Safety copies';

/** Safety copies of everything. They are put back on the server’s own machine only. */
export const copyRoutes = {
  'copies.list': route({
    ...paths['copies.list'],
    summary: 'The safety copies there are, and those that failed, the newest first',
    tag,
    query: listQuery,
    answer: copies,
    statuses: [200],
    errors: [],
  }),
  'copies.create': route({
    ...paths['copies.create'],
    summary: 'Make a safety copy now, and read it back',
    tag,
    body: z.strictObject({}),
    answer: copy,
    statuses: [202],
    location: () => pathOf('copies.list'),
    errors: ['copies-off', 'copy-running'],
  }),
  'copies.standing': route({
    ...paths['copies.standing'],
    summary: 'Whether safety copies are made, when, and how old the last good one is',
    tag,
    answer: copyStanding,
    statuses: [200],
    errors: [],
  }),
};
