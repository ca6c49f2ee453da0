import { z } from '../zod.ts';
import { kinds } from '@orbis/core';
import { key, listQuery, publicId } from '../common.ts';
import { mendChoice, readingsAnswer, readingsBody } from '../reading.ts';
import { optionErrors } from '../options/index.ts';
import { optionsSchema } from '../options/schema.ts';
import {
  comparison,
  composition,
  embed,
  embedName,
  purge,
  linkAnswer,
  linksCollected,
  lists,
  preview,
  revision,
  revisionNote,
  tags,
} from '../resources.ts';
import { learning, view } from '../preview.ts';
import { pathOf, paths } from './paths.ts';
import { mostWithCode, mostWithMany, route } from './route.ts';

const params = z.object({ embed: key });
const revisionNumber = z.coerce.number().int().min(1).max(1_000_000);
const options = { options: optionsSchema.default({}) };
const linkErrors = ['link-not-known', 'link-unreachable', 'link-refuses-frames', 'link-not-shown'] as const;
/**
 * A code that is in the collection, a text that is not, or a placement, of which the options are then asked;
 * with what is asked of it.
 */
export const subject = {
  embed: key.optional(),
  text: z.string().optional(),
  placement: publicId.optional(),
  ...options,
};

const revisionMade = ({ key: embed, revision }: { key: string; revision: number }): string =>
  pathOf('revisions.read', { embed, revision });

export const embedRoutes = {
  'readings.create': route({
    ...paths['readings.create'],
    summary: 'Read codes or links without keeping them, as they are or mended',
    tag: 'Reading',
    readOnly: true,
    most: mostWithMany,
    body: readingsBody,
    answer: readingsAnswer,
    statuses: [200],
    errors: ['too-large', 'reading-too-slow'],
  }),
  'links.collect': route({
    ...paths['links.collect'],
    summary:
      'Collect several links, each as an embed of its own, all or none; they are called as their providers call them',
    tag: 'Collection',
    body: z.strictObject({
      links: z.array(z.string().max(2000)).min(1).max(50),
      tags: tags.default([]),
      ask: z.boolean().default(false).meta({
        description:
          'Whether hosts, and whoever answers questions about links, are asked what they are; see /links',
      }),
      skipRefused: z.boolean().default(false).meta({
        description:
          'Whether those that cannot be collected are left out; without it, one of them refuses the whole',
      }),
    }),
    answer: linksCollected,
    statuses: [201],
    location: () => pathOf('embeds.list'),
    errors: ['no-link', 'import-refused'],
  }),
  'links.find': route({
    ...paths['links.find'],
    summary:
      'Say whom Orbis would ask about a link; with “ask”, ask, and tell what was found. Nothing is kept.',
    tag: 'Collection',
    readOnly: true,
    body: z.strictObject({ link: z.string().max(4000), ask: z.boolean().default(false) }),
    answer: linkAnswer,
    statuses: [200],
    errors: ['no-link', ...linkErrors],
  }),
  'compositions.create': route({
    ...paths['compositions.create'],
    summary: 'What options come to, without saving them: every edit with its reasons, and the text',
    tag: 'Adjusting',
    readOnly: true,
    most: mostWithCode,
    body: z
      .strictObject({
        ...subject,
        form: z.enum(['inline', 'apart']).optional().meta({
          description:
            'Whether all of it stands in the code, or rules and the loader in the head of the page; without it as the site of the placement takes it, else inline',
        }),
      })
      .meta({
        example: {
          embed: 'opening-talk',
          options: { 'start': 112, 'end': 184, 'parameter.hue': '12', 'fit': 'shape' },
        },
      }),
    answer: composition,
    statuses: [200],
    errors: ['not-found'],
  }),
  'previews.create': route({
    ...paths['previews.create'],
    summary: 'Show a code in a document of its own, on a host of its own',
    tag: 'Adjusting',
    readOnly: true,
    most: mostWithCode,
    body: z.strictObject({ ...subject, ...view, learning }),
    answer: preview,
    statuses: [201],
    location: ({ url }) => url,
    errors: ['not-found', 'page-unreadable', 'place-not-on-page', 'nothing-to-sweep', ...optionErrors],
  }),
  'embeds.list': route({
    ...paths['embeds.list'],
    summary: 'The collection, newest first',
    tag: 'Collection',
    query: listQuery.extend({
      q: z.string().max(200).optional(),
      where: z
        .string()
        .max(2000)
        .optional()
        .meta({ description: 'A search, as docs/search.md explains it; beside it the others must hold too' }),
      kind: z.enum(kinds).optional(),
      tag: z.string().max(40).optional(),
      host: z.string().max(253).optional(),
      level: z.enum(['error', 'warning', 'note']).optional(),
      provider: z.string().max(60).optional(),
    }),
    answer: lists.embeds,
    statuses: [200],
    errors: ['search-invalid'],
  }),
  'embeds.create': route({
    ...paths['embeds.create'],
    summary: 'Collect a code or a link',
    tag: 'Collection',
    most: mostWithCode,
    body: z.strictObject({
      name: embedName
        .optional()
        .meta({ description: 'Without it: as its provider calls it, as its code says, or by its link' }),
      key: key.optional().meta({ description: 'Without it: made of the name' }),
      text: z.string(),
      tags: tags.default([]),
      notes: z.string().max(20_000).default(''),
      mend: mendChoice,
      ask: z.boolean().default(false).meta({
        description:
          'Of a link: whether its host, and whoever answers questions about it, is asked what it is; see /links',
      }),
      ...options,
    }),
    answer: embed,
    statuses: [201],
    etag: true,
    location: ({ key: embed }) => pathOf('embeds.read', { embed }),
    errors: [
      'nothing-pasted',
      'text-too-much',
      'reading-too-slow',
      'no-code',
      'visible-code',
      'several-links',
      'marked-code',
      'provider-unknown',
      'key-taken',
      ...linkErrors,
      ...optionErrors,
    ],
  }),
  'embeds.read': route({
    ...paths['embeds.read'],
    summary: 'One embed with its reading and its newest revision',
    tag: 'Collection',
    params,
    answer: embed,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'embeds.purge': route({
    ...paths['embeds.purge'],
    summary:
      'Take the code and the texts of a retired embed out for good; that it was there, and where, is kept',
    tag: 'Collection',
    params,
    ifMatch: true,
    body: purge,
    answer: embed,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'not-retired', 'still-placed', 'embed-purged'],
  }),
  'embeds.change': route({
    ...paths['embeds.change'],
    summary: 'Rename, tag, annotate, retire or restore (JSON Merge Patch)',
    tag: 'Collection',
    params,
    ifMatch: true,
    body: z.strictObject({
      name: embedName.optional(),
      tags: tags.optional(),
      notes: z.string().max(20_000).optional(),
      retired: z.boolean().optional(),
    }),
    answer: embed,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'revisions.create': route({
    ...paths['revisions.create'],
    summary: 'Save options as the next revision; 200 where nothing differs',
    tag: 'Adjusting',
    params,
    ifMatch: true,
    body: z.strictObject({ options: optionsSchema, note: revisionNote.optional() }).meta({
      example: {
        options: { zoom: 15, centre: { latitude: 54.3712, longitude: -2.1048 }, accent: '#aa3355' },
      },
    }),
    answer: embed,
    statuses: [201, 200],
    etag: true,
    location: revisionMade,
    errors: ['not-found', ...optionErrors],
  }),
  'sources.create': route({
    ...paths['sources.create'],
    summary:
      'Paste the provider’s newer code into the same embed: options and placements stay; 200 where nothing differs',
    tag: 'Collection',
    params,
    ifMatch: true,
    most: mostWithCode,
    body: z.strictObject({
      text: z.string(),
      mend: mendChoice,
      anyway: z.boolean().default(false).meta({
        description: 'Whether a code of another item, kind or provider takes the place of the one before',
      }),
      dropUnfit: z
        .boolean()
        .default(false)
        .meta({ description: 'Whether options that the newer code cannot fulfil are dropped' }),
    }),
    answer: embed,
    statuses: [201, 200],
    etag: true,
    location: revisionMade,
    errors: [
      'not-found',
      'nothing-pasted',
      'text-too-much',
      'reading-too-slow',
      'no-code',
      'visible-code',
      'several-links',
      'link-not-known',
      'marked-code',
      'another-thing',
      'options-unfit',
    ],
  }),
  'embeds.duplicate': route({
    ...paths['embeds.duplicate'],
    summary: 'Make another embed of the same code, options, notes and tags; it is placed nowhere',
    tag: 'Collection',
    params,
    body: z.strictObject({ name: embedName }),
    answer: embed,
    statuses: [201],
    etag: true,
    location: ({ key: embed }) => pathOf('embeds.read', { embed }),
    errors: ['not-found'],
  }),
  'revisions.compare': route({
    ...paths['revisions.compare'],
    summary: 'What differs between two revisions: the options, and the code as it goes out',
    tag: 'Adjusting',
    params,
    query: z.strictObject({ from: revisionNumber, to: revisionNumber }),
    answer: comparison,
    statuses: [200],
    errors: ['not-found'],
  }),
  'revisions.restore': route({
    ...paths['revisions.restore'],
    summary: 'Make a new revision equal to an earlier one, with its code; 200 where nothing differs',
    tag: 'Adjusting',
    params: z.object({ embed: key, revision: revisionNumber }),
    ifMatch: true,
    body: z.strictObject({}),
    answer: embed,
    statuses: [201, 200],
    etag: true,
    location: revisionMade,
    errors: ['not-found'],
  }),
  'revisions.list': route({
    ...paths['revisions.list'],
    summary: 'Every revision, newest first',
    tag: 'Adjusting',
    params,
    query: listQuery,
    answer: lists.revisions,
    statuses: [200],
    errors: ['not-found'],
  }),
  'revisions.read': route({
    ...paths['revisions.read'],
    summary: 'One revision',
    tag: 'Adjusting',
    params: z.object({ embed: key, revision: revisionNumber }),
    answer: revision,
    statuses: [200],
    errors: ['not-found'],
  }),
};
