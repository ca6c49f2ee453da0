import { linkIn, read } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { endpointsOf } from '../../store/endpoints.ts';
import { insertCollected } from '../../usecases/collect-many.ts';
import { resolveLinks } from '../../usecases/collect-links.ts';
import { ingest } from '../../usecases/collect.ts';
import { asksOf } from '../../usecases/resolve-link.ts';
import { linkResolver } from '../../usecases/link-resolver.ts';
import { summarize } from '../../usecases/summarize.ts';
import type { Handlers, Named } from '../reply.ts';

/** Links: whom Orbis would ask about them, what they are, and several of them collected at once. */
export function linkHandlers(deps: Deps): Handlers<Named<'links'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  return {
    'links.find': async ({ body, actor }) => {
      const link = linkIn(body.link);
      if (link === null) throw noLink(body.link);
      const [listed = null] = await endpointsOf(db, link);
      const asks = asksOf(link, renderContext(), listed);
      if (!body.ask)
        return { data: { link, asks, code: read(link, renderContext()).generated, found: null } };
      const { code, found } = await linkResolver(deps, actor.now)(link);
      return { data: { link, asks, code, found } };
    },
    'links.collect': async ({ body, actor }) => {
      const wrong = body.links.find((link) => linkIn(link) === null);
      if (wrong !== undefined) throw noLink(wrong);
      const follow = body.ask ? { follow: linkResolver(deps, actor.now) } : {};
      const { embeds, refused } = await resolveLinks(
        body.links,
        body.tags,
        (link) => ingest(db, link, deps, follow),
        renderContext(),
      );
      if (refused.length > 0 && !body.skipRefused) {
        throw new OrbisError(
          'import-refused',
          { count: refused.length, items: summarize(refused.map(({ link }) => link)) },
          refused.map(({ item, detail }) => ({ pointer: `/links/${item - 1}`, detail })),
        );
      }
      const values = embeds.map(({ embed }) => embed);
      const keys = await insertCollected(db, values, actor);
      return {
        status: 201,
        data: {
          taken: embeds.map(({ item, link, embed }, i) => ({
            item,
            link,
            name: embed.name,
            embed: keys[i]!,
          })),
          refused,
        },
      };
    },
  };
}

const noLink = (text: string): OrbisError => new OrbisError('no-link', { found: text.trim().slice(0, 100) });
