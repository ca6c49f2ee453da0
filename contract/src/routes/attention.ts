import { attention, decision, findingLists, findingWithCode, keptFinding, registered } from '../attention.ts';
import { key, label, listQuery, publicId } from '../common.ts';
import { siteKey, spotName } from '../place.ts';
import { lists } from '../resources.ts';
import { z } from '../zod.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Attention';
const params = z.object({ finding: publicId });
const rule = z
  .string()
  .regex(/^[a-z-]{1,40}$/)
  .optional()
  .meta({ description: 'What was found, such as “missing”' });

export const attentionRoutes = {
  'findings.list': route({
    ...paths['findings.list'],
    summary: 'What wants attention, the worst first; or what waits, is not to be told again, or is solved',
    tag,
    query: listQuery.extend({
      list: z.enum(findingLists).default('open'),
      site: siteKey.optional(),
      rule,
    }),
    answer: lists.findings,
    statuses: [200],
    errors: ['not-found'],
  }),
  'findings.count': route({
    ...paths['findings.count'],
    summary: 'How much wants attention, by level, rule and site',
    tag,
    query: z.strictObject({ rule }),
    answer: attention,
    statuses: [200],
    errors: [],
  }),
  'findings.read': route({
    ...paths['findings.read'],
    summary: 'One finding, with the code that it is about',
    tag,
    params,
    answer: findingWithCode,
    statuses: [200],
    errors: ['not-found'],
  }),
  'findings.decide': route({
    ...paths['findings.decide'],
    summary: 'Take notice of findings, let them wait, have them not told again, or call them solved',
    tag,
    body: decision,
    answer: z.object({ items: z.array(keptFinding) }).meta({ id: 'Decided' }),
    statuses: [200],
    errors: ['not-found', 'time-passed'],
  }),
  'findings.register': route({
    ...paths['findings.register'],
    summary: 'Collect a code that a sweep found, and place it where it stands',
    tag,
    params,
    body: z.strictObject({
      name: label(120).optional(),
      spot: spotName
        .optional()
        .meta({ description: 'The spot where it stands; “found” where none is named' }),
    }),
    answer: registered,
    statuses: [200],
    errors: ['not-found', 'finding-without-code', 'already-placed', 'reading-too-slow', 'text-too-much'],
  }),
  'findings.renew': route({
    ...paths['findings.renew'],
    summary: 'Take in the newer code that a provider hands out, as a new revision; what was asked for stays',
    tag,
    params,
    body: z.strictObject({}),
    answer: z.object({ embed: key }).meta({ id: 'RenewedByFinding' }),
    statuses: [200],
    errors: [
      'not-found',
      'finding-without-code',
      'another-thing',
      'options-unfit',
      'reading-too-slow',
      'text-too-much',
    ],
  }),
};
