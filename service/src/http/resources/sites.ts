import { isHost } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { inTransaction } from '../../database/transaction.ts';
import { serializeSite } from '../../serializers/places.ts';
import { keyset } from '../../store/pages.ts';
import { changeSite, deleteSite, insertSite, listSites } from '../../store/places.ts';
import { markSite } from '../../store/stale.ts';
import { checkOptions } from '../../usecases/check-options.ts';
import { siteByKey } from '../../usecases/places.ts';
import { unlessTaken } from '../../usecases/unless-taken.ts';
import type { Handlers, Named } from '../reply.ts';
import { versionTag } from '../../serializers/version-tag.ts';

/** Sites: declared, changed, removed. */
export function siteHandlers(deps: Deps): Handlers<Named<'sites'>> {
  const { db } = deps.connection;
  const reply = async (key: string, status = 200) => {
    const row = await siteByKey(db, key);
    return { status, data: serializeSite(row), etag: versionTag(row) };
  };
  return {
    'sites.list': async ({ query }) => {
      return { data: keyset(await listSites(db, query.limit, query.after), query.limit, serializeSite) };
    },
    'sites.create': async ({ body, actor }) => {
      await unlessTaken('site', body.key, () =>
        insertSite(db, { ...body, address: siteAddress(body.address) }, actor),
      );
      return reply(body.key, 201);
    },
    'sites.read': ({ params }) => reply(params.site),
    'sites.change': async ({ params, body, matchState }) => {
      for (const options of Object.values(body.defaults ?? {}))
        checkOptions(options, deps.renderContext().sheets);
      const row = await siteByKey(db, params.site);
      matchState(versionTag(row), 'site');
      const address = body.address === undefined ? {} : { address: siteAddress(body.address) };
      await inTransaction(db, async (tx) => {
        if (!(await changeSite(tx, row, { ...body, ...address })))
          throw new OrbisError('if-match-stale', { what: 'site' });
        if (body.defaults !== undefined || body.head !== undefined) await markSite(tx, row.id);
      });
      return reply(params.site);
    },
    'sites.delete': async ({ params, matchState }) => {
      const row = await siteByKey(db, params.site);
      matchState(versionTag(row), 'site');
      if (row.pages > 0)
        throw new OrbisError('in-use', {
          what: 'site',
          key: row.key,
          by: `it has ${row.pages} ${row.pages === 1 ? 'page' : 'pages'}`,
        });
      await deleteSite(db, row.id);
      return { data: undefined, status: 204 };
    },
  };
}

/* The site's address without query, fragment and the slash at its end: pages are put behind it. */
function siteAddress(address: string): string {
  const url =
    /^https?:\/\//i.test(address.trim()) && URL.canParse(address.trim()) ? new URL(address.trim()) : null;
  const named = url !== null && (isHost(url.hostname) || url.hostname.startsWith('['));
  if (!named || url.username || url.password || url.search || url.hash)
    throw new OrbisError('address-invalid', { found: address }, [
      { pointer: '/address', detail: 'an address such as https://site.example' },
    ]);
  return url.href.replace(/\/$/, '');
}
