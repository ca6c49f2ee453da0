import { z } from '../zod.ts';
import { count, label, problem } from '../common.ts';
import { mostPages } from '../page-file.ts';
import { pageKey, pagePath, siteKey } from '../place.ts';
import { paths } from './paths.ts';
import { mostWithMany, route } from './route.ts';

const foundPage = z.object({
  key: pageKey,
  path: pagePath,
  title: z.string(),
  isKnown: z.boolean().meta({ description: 'Whether the register has it already' }),
});

const foundPages = z
  .object({
    pages: z.array(foundPage).meta({ description: 'In the order in which they were found' }),
    read: count.meta({ description: 'How many pages or sitemaps were read for it' }),
    leftOut: z.object({
      elsewhere: count.meta({ description: 'Addresses of other sites' }),
      question: count.meta({ description: 'Addresses with a question mark' }),
      odd: count.meta({ description: 'Addresses that no key can have' }),
    }),
    unread: z
      .array(z.object({ address: z.string(), why: z.string() }))
      .meta({ description: 'What could not be read, and why; the first twenty' }),
    isCut: z.boolean().meta({ description: 'Whether there were more than were asked for' }),
  })
  .meta({ id: 'FoundPages' });

const searchEvent = z
  .union([z.object({ read: count, found: count }), z.object({ done: foundPages }), z.object({ problem })])
  .meta({ id: 'PageSearchEvent', description: 'How far it is; at last what was found, or why nothing was' });

export type FoundPage = z.infer<typeof foundPage>;
export type FoundPages = z.infer<typeof foundPages>;
export type PageSearchEvent = z.infer<typeof searchEvent>;

const tag = 'Placing';
const params = z.object({ site: siteKey });

/** Pages of a site, many at once. */
export const foundPageRoutes = {
  'pageSearches.create': route({
    ...paths['pageSearches.create'],
    summary: 'Find the pages of a site, by its sitemap or by the links on its pages; nothing is kept',
    tag,
    readOnly: true,
    params,
    body: z.strictObject({
      by: z.enum(['sitemap', 'links']).meta({
        description:
          'Where the site says itself which pages it has, or where its pages lead, from the first one',
      }),
      address: z.string().max(500).optional().meta({
        description: 'Where its sitemap is; without it where its robots.txt says, or at /sitemap.xml',
      }),
      most: z.number().int().min(1).max(mostPages).default(1000),
    }),
    answer: searchEvent,
    events: true,
    statuses: [200],
    errors: ['not-found', 'page-unreadable', 'sitemap-missing'],
  }),
  'pageImports.create': route({
    ...paths['pageImports.create'],
    summary: 'Add many pages to a site, all or none; those that the register has stay as they are',
    tag,
    most: mostWithMany,
    params,
    body: z.strictObject({
      pages: z
        .array(z.strictObject({ path: pagePath, title: label(200) }))
        .min(1)
        .max(mostPages),
    }),
    answer: z
      .object({ added: count, known: count.meta({ description: 'That were there already' }) })
      .meta({ id: 'PagesAdded' }),
    statuses: [200],
    errors: ['not-found'],
  }),
};
