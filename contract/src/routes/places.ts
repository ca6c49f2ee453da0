import { schedule } from '../schedule.ts';
import { z } from '../zod.ts';
import { madeOfMany } from '../change-facts.ts';
import { key, label, listQuery, publicId } from '../common.ts';
import { mostAtOnce } from '../counting.ts';
import { manyErrors, optionErrors } from '../options/index.ts';
import { kindDefaults, optionsSchema } from '../options/schema.ts';
import { pageKey, pagePath, siteKey, spotKey } from '../place.ts';
import {
  blockChange,
  blockPlacing,
  delivery,
  page,
  placement,
  placementStates,
  placementMade,
  coloursFound,
  placementLink,
  site,
  standing,
  reach,
  frameStyle,
  furtherAddresses,
  siteColours,
  siteLanguage,
} from '../register.ts';
import { editorRules, specimen, specimenReading } from '../editor-rules.ts';
import { hitReport } from '../hits.ts';
import { lists } from '../resources.ts';
import { pathOf, paths } from './paths.ts';
import { goingAlong } from './going-along.ts';
import { route } from './route.ts';

const state = z.enum(placementStates);
const tag = 'Placing';

/* A search of a list that one index answers. */
const where = (example: string) =>
  z
    .string()
    .max(2000)
    .optional()
    .meta({ description: 'A value for each field, all of which must hold', example });

export const placeRoutes = {
  'sites.list': route({
    ...paths['sites.list'],
    summary: 'The sites',
    tag,
    query: listQuery,
    answer: lists.sites,
    statuses: [200],
    errors: [],
  }),
  'sites.create': route({
    ...paths['sites.create'],
    summary: 'Declare a site as yours',
    tag,
    body: z.strictObject({ key: siteKey, name: label(120), address: z.string().max(500) }),
    answer: site,
    statuses: [201],
    etag: true,
    location: ({ key: site }) => pathOf('sites.read', { site }),
    errors: ['key-taken', 'address-invalid'],
  }),
  'sites.read': route({
    ...paths['sites.read'],
    summary: 'One site',
    tag,
    params: z.object({ site: siteKey }),
    answer: site,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'sites.change': route({
    ...paths['sites.change'],
    summary:
      'Change a site: its name, its addresses, its defaults, whether it has a way into the heads of its pages, its language, its colours, its style for frames, what its editor lets through, when its pages are read',
    tag,
    params: z.object({ site: siteKey }),
    ifMatch: true,
    body: z.strictObject({
      name: label(120).optional(),
      address: z.string().max(500).optional(),
      defaults: kindDefaults.optional(),
      head: z.boolean().optional(),
      language: siteLanguage.optional(),
      furtherAddresses: furtherAddresses.optional(),
      colours: siteColours.optional(),
      frameStyle: frameStyle.optional(),
      schedule: schedule.nullable().optional(),
      rendered: z.boolean().optional(),
      editor: editorRules.partial().optional().meta({ description: 'What is left out stays as it is' }),
    }),
    answer: site,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'address-invalid', ...manyErrors],
  }),
  'sites.colours': route({
    ...paths['sites.colours'],
    summary:
      'Read the colours that stand most often in the styles of a page of a site, and its font; nothing is kept',
    tag,
    readOnly: true,
    params: z.object({ site: siteKey }),
    body: z.strictObject({
      path: z
        .string()
        .max(500)
        .default('')
        .meta({ description: 'The page that is read; without it the first' }),
    }),
    answer: coloursFound,
    statuses: [200],
    errors: ['not-found', 'page-unreadable'],
  }),
  'sites.specimen': route({
    ...paths['sites.specimen'],
    summary: 'A harmless text with one of everything, to be pasted and published once on a page of a site',
    tag,
    params: z.object({ site: siteKey }),
    answer: specimen,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sites.learn': route({
    ...paths['sites.learn'],
    summary:
      'Read what a site’s editor made of the specimen; what it shows is kept as evidence, and the rules stay as they are',
    tag,
    params: z.object({ site: siteKey }),
    body: z.strictObject({
      path: z
        .string()
        .max(500)
        .default('')
        .meta({ description: 'The page that it was published on; without it the first' }),
    }),
    answer: specimenReading,
    statuses: [200],
    errors: ['not-found', 'page-unreadable', 'specimen-missing'],
  }),
  'sites.standing': route({
    ...paths['sites.standing'],
    summary: 'What is placed on a site, which ends when it is removed',
    tag,
    params: z.object({ site: siteKey }),
    answer: standing,
    statuses: [200],
    errors: ['not-found'],
  }),
  'sites.delete': route({
    ...paths['sites.delete'],
    summary: 'Remove a site with its pages; what was issued for what is placed there is kept',
    tag,
    params: z.object({ site: siteKey }),
    query: goingAlong,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found', 'in-use'],
  }),
  'pages.list': route({
    ...paths['pages.list'],
    summary: 'Pages with their spots',
    tag,
    query: listQuery.extend({
      site: siteKey.optional(),
      where: where('site=hollinfell'),
      q: z.string().max(400).optional().meta({
        description:
          'How the pages’ keys begin: hollinfell/ta. They come in the order of their keys then, of whatever site.',
      }),
    }),
    answer: lists.pages,
    statuses: [200],
    errors: ['search-invalid'],
  }),
  'pages.create': route({
    ...paths['pages.create'],
    summary: 'Add a page to a site, or a block that many of its pages show, whose key is written site/{name}',
    tag,
    body: z.strictObject({
      key: pageKey,
      title: label(200),
      block: blockPlacing
        .optional()
        .meta({ description: 'Of a block alone; after every page where it is left out' }),
    }),
    answer: page,
    statuses: [201],
    etag: true,
    location: ({ key: page }) => pathOf('pages.read', { page }),
    errors: ['key-taken', 'not-found', 'no-block', 'too-many-blocks'],
  }),
  'pages.read': route({
    ...paths['pages.read'],
    summary: 'One page with its spots',
    tag,
    params: z.object({ page: pageKey }),
    answer: page,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'pages.change': route({
    ...paths['pages.change'],
    summary: 'Call a page something else, or give it another path: what is placed on it goes along',
    tag,
    params: z.object({ page: pageKey }),
    ifMatch: true,
    body: z.strictObject({
      title: label(200).optional(),
      path: pagePath.optional(),
      block: blockChange.optional().meta({ description: 'Of a block alone: which pages show it, and where' }),
    }),
    answer: page,
    statuses: [200],
    etag: true,
    errors: ['not-found', 'key-taken', 'no-block'],
  }),
  'pages.standing': route({
    ...paths['pages.standing'],
    summary: 'What is placed on a page, which goes along when it is moved and ends when it is removed',
    tag,
    params: z.object({ page: pageKey }),
    answer: standing,
    statuses: [200],
    errors: ['not-found'],
  }),
  'pages.delete': route({
    ...paths['pages.delete'],
    summary: 'Remove a page with its spots; what was issued for what is placed there is kept',
    tag,
    params: z.object({ page: pageKey }),
    query: goingAlong,
    ifMatch: true,
    statuses: [204],
    errors: ['not-found', 'in-use'],
  }),
  'placements.list': route({
    ...paths['placements.list'],
    summary: 'The register: where each embed is, in which revision, and when it was last seen',
    tag: 'Register',
    query: listQuery.extend({
      embed: key.optional(),
      site: siteKey.optional(),
      page: pageKey.optional(),
      state: state.optional(),
      host: z.string().max(253).optional().meta({ description: 'Those whose code loads something from it' }),
      where: where('state=out-of-date site=hollinfell'),
    }),
    answer: lists.placements,
    statuses: [200],
    errors: ['search-invalid'],
  }),
  'reach.read': route({
    ...paths['reach.read'],
    summary: 'On how many places, pages and sites a change shows: of an embed, a site, or a provider’s sheet',
    tag: 'Register',
    query: z
      .object({ embed: key.optional(), site: siteKey.optional(), provider: key.optional() })
      .refine((asked) => Object.keys(asked).length === 1, {
        error: 'one of embed, site and provider',
      }),
    answer: reach,
    statuses: [200],
    errors: ['not-found'],
  }),
  'placements.create': route({
    ...paths['placements.create'],
    summary: 'Place an embed in a spot',
    tag,
    body: z.strictObject({ embed: key, place: spotKey, options: optionsSchema.default({}) }),
    answer: placementMade,
    statuses: [201],
    location: ({ id: placement }) => pathOf('placements.read', { placement }),
    errors: ['not-found', 'already-placed', 'embed-retired', ...optionErrors],
  }),
  'placements.read': route({
    ...paths['placements.read'],
    summary: 'One placement',
    tag: 'Register',
    params: z.object({ placement: publicId }),
    answer: placement,
    statuses: [200],
    etag: true,
    errors: ['not-found'],
  }),
  'placements.change': route({
    ...paths['placements.change'],
    summary: 'Change what is asked of an embed at this place only, its note there, or whether it is paused',
    tag: 'Register',
    params: z.object({ placement: publicId }),
    ifMatch: true,
    body: z
      .strictObject({
        options: optionsSchema.optional(),
        note: z.string().trim().max(2000).optional(),
        paused: z
          .boolean()
          .optional()
          .meta({ description: 'Whether nothing of it is to stand there for a while' }),
      })
      .meta({ example: { options: { 'max-width': 320 } } }),
    answer: placement,
    statuses: [200],
    etag: true,
    errors: ['not-found', ...optionErrors],
  }),
  'placements.changeMany': route({
    ...paths['placements.changeMany'],
    summary: 'Pause many placements at once, let them go on, or end them: all of them, or none',
    tag: 'Register',
    body: z.strictObject({
      placements: z.array(publicId).min(1).max(mostAtOnce),
      make: z.enum(madeOfMany),
    }),
    answer: z
      .object({
        placements: z.array(publicId).meta({ description: 'Those that were not so already' }),
      })
      .meta({ id: 'ChangedPlacements' }),
    statuses: [200],
    errors: ['not-found'],
  }),
  'placements.move': route({
    ...paths['placements.move'],
    summary:
      'Move a placement to another spot, with what is asked of it: it ends here, and is placed anew there',
    tag,
    params: z.object({ placement: publicId }),
    ifMatch: true,
    body: z.strictObject({ place: spotKey }),
    answer: placementMade,
    statuses: [201],
    location: ({ id: placement }) => pathOf('placements.read', { placement }),
    errors: ['not-found', 'already-placed', 'embed-retired', ...optionErrors],
  }),
  'placements.delete': route({
    ...paths['placements.delete'],
    summary: 'End a placement; what was issued for it is kept',
    tag,
    params: z.object({ placement: publicId }),
    ifMatch: true,
    statuses: [204],
    errors: ['not-found'],
  }),
  'placements.hits': route({
    ...paths['placements.hits'],
    summary: 'Where its served document was shown in the last thirty days, as browsers say',
    tag: 'Register',
    params: z.object({ placement: publicId }),
    answer: hitReport,
    statuses: [200],
    errors: ['not-found'],
  }),
  'placements.link': route({
    ...paths['placements.link'],
    summary: 'Hand out the link to its document, which is served from then on',
    tag,
    params: z.object({ placement: publicId }),
    answer: placementLink,
    statuses: [200],
    errors: ['not-found', 'embed-retired', 'placement-paused'],
  }),
  'deliveries.create': route({
    ...paths['deliveries.create'],
    summary: 'What to paste now: the next delivery, or the last one (200) where nothing differs',
    tag,
    params: z.object({ placement: publicId }),
    answer: delivery,
    statuses: [201, 200],
    location: ({ placement }) => pathOf('deliveries.list', { placement }),
    errors: ['not-found', 'embed-retired', 'placement-paused'],
  }),
  'deliveries.list': route({
    ...paths['deliveries.list'],
    summary: 'Everything that was issued for a placement, newest first',
    tag: 'Register',
    params: z.object({ placement: publicId }),
    query: listQuery,
    answer: lists.deliveries,
    statuses: [200],
    errors: ['not-found'],
  }),
};
