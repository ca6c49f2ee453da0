import { formatLink, OrbisError, type OembedEndpointRow } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { deleteEndpoint, listEndpoints, putEndpoints, type EndpointRow } from '../../store/endpoints.ts';
import { keyset } from '../../store/pages.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/** Who is known to answer questions about links, out of lists of such providers. */
export function endpointHandlers({ connection: { db }, reader }: Deps): Handlers<Named<'endpoints'>> {
  const tell = ({ publicId, provider, site, url, schemes, formats }: EndpointRow): OembedEndpointRow => ({
    id: publicId,
    provider,
    site,
    url,
    schemes,
    formats,
  });
  return {
    'endpoints.list': async ({ query }) => ({
      data: keyset(await listEndpoints(db, query), query.limit, tell),
    }),
    'endpoints.import': async ({ body, actor }) => {
      const list = await reader.providerList(body.text);
      if (!list.ok) throw new OrbisError('list-invalid', { why: formatLink(list.reason) });
      const done = await inTransaction(db, (tx) => putEndpoints(tx, list.endpoints, actor), {
        duplicates: true,
      });
      return {
        data: {
          entries: list.entries,
          endpoints: list.endpoints.length,
          ...done,
          unusable: list.unusable.map(({ reason, ...one }) => ({ ...one, why: formatLink(reason) })),
        },
      };
    },
    'endpoints.remove': async ({ params }) => {
      if (!(await deleteEndpoint(db, params.endpoint)))
        throw new OrbisError('not-found', {
          what: 'oEmbed endpoint',
          key: params.endpoint,
        });
      return { data: undefined, status: 204 };
    },
  };
}
