import { z } from '../zod.ts';
import { listQuery } from '../common.ts';
import { learnSamples, sheetProposal } from '../learned.ts';
import { lists, provider, providerId, rules, sheetComparison } from '../resources.ts';
import { sheetText } from '../sheet-file.ts';
import { pathOf, paths } from './paths.ts';
import { mostWithCode, mostWithMany, route } from './route.ts';

const params = z.object({ provider: providerId });
const accept = { description: 'Whether it is done although embeds come out differently, or depend on it' };

export const providerRoutes = {
  'providers.list': route({
    ...paths['providers.list'],
    summary:
      'The provider sheets at hand, in the order in which they are asked: your own before the built-in ones',
    tag: 'Providers',
    query: listQuery,
    answer: lists.providers,
    statuses: [200],
    errors: [],
  }),
  'providers.read': route({
    ...paths['providers.read'],
    summary: 'One sheet, as it was written',
    tag: 'Providers',
    params,
    answer: provider.extend({ text: sheetText }),
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'providers.compare': route({
    ...paths['providers.compare'],
    summary:
      'What a sheet, or the lack of one, would change: every embed that would come out differently. Nothing is saved.',
    tag: 'Providers',
    readOnly: true,
    most: mostWithCode,
    body: z.union([z.strictObject({ text: sheetText }), z.strictObject({ remove: providerId })]),
    answer: sheetComparison,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'sheet-invalid', 'sheet-built-in'],
  }),
  'providers.learn': route({
    ...paths['providers.learn'],
    summary: 'Propose a sheet from codes and links of a provider that no sheet knows. Nothing is saved.',
    tag: 'Providers',
    readOnly: true,
    most: mostWithMany,
    body: z
      .strictObject({
        samples: learnSamples,
        answers: z.record(z.string().max(200), z.string().max(200)).default({}).meta({
          description:
            'What you confirm or correct, by what it is about: name, kind, item, id, or a parameter’s own name',
        }),
        ask: z.boolean().default(false).meta({
          description:
            'Whether links are followed, to have the code from the answer that their page names (oEmbed)',
        }),
      })
      .meta({
        example: {
          samples: [
            '<iframe src="https://moorreel.example/show/a1?go=5"></iframe>',
            '<iframe src="https://moorreel.example/show/b2"></iframe>',
          ],
          answers: { go: 'start' },
        },
      }),
    answer: sheetProposal,
    statuses: [200],
    errors: ['cannot-learn', 'link-unreachable', 'reading-too-slow'],
  }),
  'providers.save': route({
    ...paths['providers.save'],
    summary:
      'Keep a sheet of your own; one with the id of a built-in one stands before it. Embeds that come out differently get a new revision.',
    tag: 'Providers',
    params,
    ifMatch: true,
    most: mostWithCode,
    body: z
      .strictObject({ text: sheetText, accept: z.boolean().default(false).meta(accept) })
      .meta({ example: { text: 'id: moorreel\nname: Moorreel\n…', accept: false } }),
    answer: provider.extend({
      text: sheetText,
      changed: z.number().int().meta({ description: 'Embeds that got a new revision' }),
    }),
    statuses: [200, 201],
    etag: true,
    location: ({ id: provider }) => pathOf('providers.read', { provider }),
    errors: ['sheet-invalid', 'sheet-other-id', 'sheet-changes-embeds'],
  }),
  'providers.remove': route({
    ...paths['providers.remove'],
    summary: 'Take a sheet of your own away; a built-in one of the same id is there again',
    tag: 'Providers',
    params,
    ifMatch: true,
    query: z.strictObject({ accept: z.enum(['true', 'false']).default('false').meta(accept) }),
    statuses: [204],
    errors: ['not-found', 'sheet-built-in', 'sheet-in-use'],
  }),
  'rules.read': route({
    ...paths['rules.read'],
    summary: 'Your rules for all embeds',
    tag: 'Adjusting',
    answer: rules,
    statuses: [200],
    etag: true,
    errors: [],
  }),
  'rules.change': route({
    ...paths['rules.change'],
    summary: 'Change rules for all embeds (JSON Merge Patch); what an embed asks for itself wins over them',
    tag: 'Adjusting',
    ifMatch: true,
    body: rules.partial().strict(),
    answer: rules,
    statuses: [200],
    etag: true,
    errors: [],
  }),
};
