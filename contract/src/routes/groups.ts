import { z } from '../zod.ts';
import { key, label, listQuery, problem, publicId } from '../common.ts';
import { change, changeEvent, undone } from '../change-log.ts';
import { groupOutcome, embedName, importAnswer, lists, preset, tags } from '../resources.ts';
import { manyErrors } from '../options/index.ts';
import { optionsSchema } from '../options/schema.ts';
import { pathOf, paths } from './paths.ts';
import { mostWithMany, route } from './route.ts';

const params = z.object({ change: publicId });

const presetParams = z.object({ preset: key });

const importBody = z.strictObject({
  items: z
    .array(
      z.strictObject({
        name: embedName,
        text: z.string(),
        tags: tags.default([]),
        notes: z.string().max(20_000).default(''),
      }),
    )
    .min(1)
    .max(10_000),
  dryRun: z.boolean().default(false),
  skipRefused: z.boolean().default(false).meta({
    description:
      'Whether those that cannot be taken in are left out; without it, one of them refuses the whole',
  }),
});
const importEvent = z
  .union([
    z.object({ read: z.number().int(), of: z.number().int() }),
    z.object({ done: importAnswer }),
    z.object({ problem }),
  ])
  .meta({ id: 'ImportEvent', description: 'How far it is; at last what came of it, or why nothing did' });
export type ImportEvent = z.infer<typeof importEvent>;

export const groupRoutes = {
  'imports.create': route({
    ...paths['imports.create'],
    summary:
      'Collect many codes at once, all or none; with “dryRun”, only say what would become of each. Nobody is asked about links.',
    tag: 'Groups',
    most: mostWithMany,
    body: importBody,
    answer: importAnswer,
    statuses: [201, 200],
    location: () => pathOf('embeds.list'),
    errors: ['import-refused', 'reading-too-slow'],
  }),
  'imports.watch': route({
    ...paths['imports.watch'],
    summary: 'The same as a stream of events, which tell how far it is',
    tag: 'Groups',
    most: mostWithMany,
    body: importBody,
    answer: importEvent,
    events: true,
    statuses: [200],
    errors: [],
  }),
  'presets.list': route({
    ...paths['presets.list'],
    summary: 'Options under one name: your own, and those that come with Orbis',
    tag: 'Groups',
    query: listQuery,
    answer: lists.presets,
    statuses: [200],
    errors: [],
  }),
  'presets.read': route({
    ...paths['presets.read'],
    summary: 'One preset',
    tag: 'Groups',
    params: presetParams,
    answer: preset,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'presets.save': route({
    ...paths['presets.save'],
    summary:
      'Keep a preset of your own; one with the name of a built-in one is used instead of it. Embeds that had it put on them stay as they are.',
    tag: 'Groups',
    params: presetParams,
    ifMatch: true,
    body: z.strictObject({ meaning: label(300).default('Your own.'), options: optionsSchema.default({}) }),
    answer: preset,
    statuses: [200, 201],
    etag: true,
    location: ({ key: preset }) => pathOf('presets.read', { preset }),
    errors: [...manyErrors],
  }),
  'presets.remove': route({
    ...paths['presets.remove'],
    summary: 'Take a preset of your own away',
    tag: 'Groups',
    params: presetParams,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found'],
  }),
  'changes.create': route({
    ...paths['changes.create'],
    summary:
      'Change options of every embed that a search finds, all or none; with “dryRun”, only say what it would do',
    tag: 'Groups',
    body: z
      .strictObject({
        where: z.string().max(2000).meta({ description: 'A search, as docs/search.md explains it' }),
        options: optionsSchema.default({}),
        unset: z
          .array(z.string().max(120))
          .max(50)
          .default([])
          .meta({ description: 'Names of options to take back' }),
        dryRun: z.boolean().default(false),
        skipImpossible: z.boolean().default(false).meta({
          description:
            'Whether embeds that cannot have it are left as they are; without it, one of them refuses the whole',
        }),
      })
      .meta({
        example: {
          where: 'kind=video host=play.kinorill.localhost',
          options: { privacy: true },
          dryRun: true,
        },
      }),
    answer: groupOutcome,
    statuses: [201, 200],
    location: ({ change }) => pathOf('changes.read', { change: change!.id }),
    errors: ['search-invalid', 'group-impossible', 'nothing-asked', ...manyErrors],
  }),
  'changes.list': route({
    ...paths['changes.list'],
    summary: 'What was done to the collection and the register, newest first',
    tag: 'Changes',
    query: listQuery.extend({
      standing: z
        .enum(['true', 'false'])
        .default('false')
        .meta({ description: 'Whether what was taken back is left out' }),
      mine: z
        .enum(['true', 'false'])
        .default('false')
        .meta({ description: 'Whether what others did is left out; it is for who works on single sites' }),
    }),
    answer: lists.changes,
    statuses: [200],
    errors: [],
  }),
  'changes.feed': route({
    ...paths['changes.feed'],
    summary: 'What was done, newest first, as a feed for programs that follow feeds (Atom, RFC 4287)',
    tag: 'Changes',
    basic: true,
    query: listQuery,
    stream: 'application/atom+xml',
    statuses: [200],
    etag: true,
    errors: [],
  }),
  'changes.follow': route({
    ...paths['changes.follow'],
    summary: 'What is done from now on, by anybody, as it is done',
    tag: 'Changes',
    events: true,
    answer: changeEvent,
    statuses: [200],
    errors: [],
  }),
  'changes.read': route({
    ...paths['changes.read'],
    summary: 'One thing that was done',
    tag: 'Changes',
    params,
    answer: change,
    statuses: [200],
    errors: ['not-found'],
  }),
  'changes.undo': route({
    ...paths['changes.undo'],
    summary:
      'Take back what was done, all of it or nothing. Options and codes come back as new revisions; what stands on published pages stays there until it is pasted anew',
    tag: 'Changes',
    params,
    body: z.strictObject({}),
    answer: undone,
    statuses: [200],
    errors: [
      'not-found',
      'change-undone',
      'change-lasting',
      'changed-since',
      'in-use',
      'already-placed',
      'key-taken',
    ],
  }),
};
