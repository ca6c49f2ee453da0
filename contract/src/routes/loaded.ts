import { count, key, listQuery, problem } from '../common.ts';
import { askedHosts, askedOutcome, hostName, resources } from '../loaded.ts';
import { resourceStates } from '../resource-states.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'What embeds load';

const askEvent = z
  .union([z.object({ left: count }), z.object({ done: askedOutcome }), z.object({ problem })])
  .meta({ id: 'AskEvent', description: 'How many are left to be asked for; at last what came of it' });
export type AskEvent = z.infer<typeof askEvent>;

/** What placed embeds load from elsewhere, and how it is answered. */
export const loadedRoutes = {
  'hosts.list': route({
    ...paths['hosts.list'],
    summary: 'The hosts that placed embeds load something from, those with most that is wrong first',
    tag,
    query: listQuery.extend({
      host: hostName.optional().meta({ description: 'Only this host' }),
    }),
    answer: askedHosts,
    statuses: [200],
    errors: [],
  }),
  'resources.list': route({
    ...paths['resources.list'],
    summary: 'What placed embeds load or lead to, and how it was answered last',
    tag,
    query: listQuery.extend({
      host: hostName.optional().meta({ description: 'Only what is loaded from this host' }),
      embed: key.optional(),
      state: z
        .enum(resourceStates)
        .optional()
        .meta({ description: 'Only what was last answered so; of a host or in all' }),
    }),
    answer: resources,
    statuses: [200],
    errors: ['not-found'],
  }),
  'resources.ask': route({
    ...paths['resources.ask'],
    summary: 'Ask now for what placed embeds load: all of it, of one host, or of one embed; at most 500',
    tag,
    body: z
      .strictObject({ host: hostName.optional(), embed: key.optional() })
      .refine(({ host, embed }) => host === undefined || embed === undefined, {
        path: ['embed'],
        error: 'goes without a host',
      }),
    answer: askEvent,
    events: true,
    statuses: [200],
    errors: ['not-found'],
  }),
};
