import { isDeepStrictEqual } from 'node:util';
import type { Deps } from '../../deps.ts';
import { serializeSite } from '../../serializers/places.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import { keyset } from '../../store/pages.ts';
import { listSites, type SiteRow } from '../../store/places.ts';
import { narrowedTo, refuseUnlessEverywhere } from '../../usecases/may.ts';
import { siteByKey } from '../../usecases/places.ts';
import { coloursOfSite } from '../../usecases/site-colours.ts';
import { learnEditorOf, specimenFor } from '../../usecases/specimens.ts';
import { standingOfSite } from '../../usecases/standing.ts';
import { addSite, changeSiteValues, removeSite } from '../../usecases/sites.ts';
import type { Handlers, Named } from '../reply.ts';

/** Sites: declared, changed, removed. */
export function siteHandlers(deps: Deps): Handlers<Named<'sites'>> {
  const { db } = deps.connection;
  const reply = async (key: string, status = 200) => {
    const row = await siteByKey(db, key);
    return { status, data: serializeSite(row), etag: versionTag(row) };
  };
  return {
    'sites.list': async ({ query: { limit, after }, person, rights }) => {
      const only = narrowedTo({ person: person!, rights })?.sites;
      return { data: keyset(await listSites(db, { limit, after, only }), limit, serializeSite) };
    },
    'sites.create': async ({ body, actor }) => {
      await addSite(db, body, actor);
      return reply(body.key, 201);
    },
    'sites.read': ({ params }) => reply(params.site),
    'sites.change': async ({ params, body, matchState, actor, person, rights }) => {
      // What is declared as the owner’s is read on any port, and without asking its host.
      if (saysWhereElse(body, await siteByKey(db, params.site)))
        await refuseUnlessEverywhere(db, { person: person!, rights }, 'place');
      await changeSiteValues(params.site, body, matchState, deps, actor);
      return reply(params.site);
    },
    'sites.colours': async ({ params, body }) => ({
      data: await coloursOfSite(params.site, body.path, deps),
    }),
    'sites.specimen': async ({ params }) => ({ data: await specimenFor(params.site, deps) }),
    'sites.learn': async ({ params, body }) => ({
      data: await learnEditorOf(params.site, body.path, deps),
    }),
    'sites.standing': async ({ params }) => ({ data: await standingOfSite(db, params.site) }),
    'sites.delete': async ({ params, query, matchState, actor }) => {
      const agreed = { endsPlacements: query.placements === 'end' };
      await removeSite(db, params.site, agreed, matchState, actor);
      return { data: undefined, status: 204 };
    },
  };
}

const saysWhereElse = (
  asked: { address?: string | undefined; furtherAddresses?: readonly string[] | undefined },
  { address, furtherAddresses }: SiteRow,
): boolean =>
  (asked.address ?? address) !== address ||
  !isDeepStrictEqual(asked.furtherAddresses ?? furtherAddresses, furtherAddresses);
