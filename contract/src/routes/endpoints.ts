import { z } from '../zod.ts';
import { listQuery, pageOf, publicId } from '../common.ts';
import { paths } from './paths.ts';
import { mostWithMany, route } from './route.ts';

const endpoint = z
  .object({
    id: publicId,
    provider: z.string(),
    site: z.string().meta({ description: 'Where the provider itself is; empty where the list does not say' }),
    url: z.string(),
    schemes: z.array(z.string()).meta({ description: 'Its links, with * for anything' }),
    formats: z.array(z.enum(['json', 'xml'])),
  })
  .meta({ id: 'OembedEndpoint' });
const imported = z
  .object({
    entries: z.number().int().meta({ description: 'Providers in the list' }),
    endpoints: z.number().int().meta({ description: 'What of them can be used' }),
    added: z.number().int(),
    changed: z.number().int(),
    same: z.number().int(),
    unusable: z.array(
      z.object({ entry: z.number().int(), provider: z.string(), what: z.string(), why: z.string() }),
    ),
  })
  .meta({ id: 'EndpointImport' });
export type OembedEndpointRow = z.infer<typeof endpoint>;
export type EndpointImport = z.infer<typeof imported>;

export const endpointRoutes = {
  'endpoints.list': route({
    ...paths['endpoints.list'],
    summary: 'Who is known to answer questions about links (oEmbed 1.0), out of imported lists',
    tag: 'Providers',
    query: listQuery.extend({
      q: z
        .string()
        .max(100)
        .optional()
        .meta({ description: 'Words of the name, or a link: who answers about it' }),
    }),
    answer: pageOf(endpoint).meta({ id: 'OembedEndpointPage' }),
    statuses: [200],
    errors: [],
  }),
  'endpoints.import': route({
    ...paths['endpoints.import'],
    summary:
      'Make the providers of a list known: the format in which oEmbed providers are published. Once more is the same as once.',
    tag: 'Providers',
    most: mostWithMany,
    body: z.strictObject({
      text: z.string().min(1).max(8_000_000).meta({
        description: 'The list: a JSON array of objects with provider_name, provider_url and endpoints',
      }),
    }),
    answer: imported,
    statuses: [200],
    errors: ['list-invalid'],
  }),
  'endpoints.remove': route({
    ...paths['endpoints.remove'],
    summary: 'Forget one endpoint; embeds that were collected by it stay as they are',
    tag: 'Providers',
    params: z.object({ endpoint: publicId }),
    statuses: [204],
    errors: ['not-found'],
  }),
};
