import { linkIn, read } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { endpointsOf } from '../store/endpoints.ts';
import { insertEmbeds } from '../store/import.ts';
import { findLinks } from '../work/collect-links.ts';
import { takeIn } from '../work/collect.ts';
import { asksOf } from '../work/find-link.ts';
import { follower } from '../work/follow.ts';
import { someOf } from '../work/some-of.ts';
import type { Handlers, Named } from './reply.ts';
import { inTransaction } from '../database/transaction.ts';

/** Links: whom Orbis would ask about them, what they are, and several of them collected at once. */
export function linkHandlers(deps: Deps): Handlers<Named<'links'>> {
  const { making } = deps;
  const { db } = deps.connection;
  return {
    'links.find': async ({ body, act }) => {
      const link = linkIn(body.link);
      if (link === null) throw noLink(body.link);
      const [listed = null] = await endpointsOf(db, link);
      const asks = asksOf(link, making(), listed);
      if (!body.ask) return { data: { link, asks, code: read(link, making()).made, found: null } };
      const { code, found } = await follower(deps, act.now)(link);
      return { data: { link, asks, code, found } };
    },
    'links.collect': async ({ body, act }) => {
      const wrong = body.links.find((link) => linkIn(link) === null);
      if (wrong !== undefined) throw noLink(wrong);
      const follow = body.ask ? { follow: follower(deps, act.now) } : {};
      const { embeds, refused } = await findLinks(body.links, body.tags, (link) => takeIn(db, link, deps, follow), making());
      if (refused.length > 0 && !body.skipRefused) {
        throw new OrbisError(
          'import-refused',
          { count: refused.length, items: someOf(refused.map(({ link }) => link)) },
          refused.map(({ item, detail }) => ({ pointer: `/links/${item - 1}`, detail })),
        );
      }
      const values = embeds.map(({ embed }) => embed);
      const keys = values.length === 0 ? [] : await inTransaction(db, (tx) => insertEmbeds(tx, values, act), { duplicates: true });
      return { status: 201, data: { taken: embeds.map(({ item, link, embed }, i) => ({ item, link, name: embed.name, embed: keys[i]! })), refused } };
    },
  };
}

const noLink = (text: string): OrbisError => new OrbisError('no-link', { found: text.trim().slice(0, 100) });
