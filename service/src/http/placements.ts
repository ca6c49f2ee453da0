import { defaultsFor, withBareNames, type Kind, type LevelledOptions, type Options } from '@orbis/core';
import { OrbisError, refuseProblems, type Delivery, type Placement } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { keyset } from '../store/pages.ts';
import {
  changePlacement,
  endPlacement,
  insertPlacement,
  listDeliveries,
  listPlacements,
  markLinked,
  placementOf,
  type DeliveryWithRevision,
  type PlacementFilter,
  type StoredPlacement,
} from '../store/placements.ts';
import { deliver } from '../usecases/deliver.ts';
import { compositionOf } from '../usecases/codes.ts';
import { askedAt } from '../usecases/asked.ts';
import { placementById, serializePlacements } from '../usecases/placements.ts';
import { embedByKey } from '../usecases/embeds.ts';
import { pageByKey, siteByKey, spotByKey } from './places.ts';
import { serializeSnippet } from '../serializers/compositions.ts';
import type { Handlers, Named } from './reply.ts';

/** The register: placements, and what was issued for them. */
export function placementHandlers(deps: Deps): Handlers<Named<'placements' | 'deliveries'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const byId = (id: string): Promise<StoredPlacement> => placementById(db, id);
  const versionTag = ({ version }: Pick<StoredPlacement['placement'], 'version'>): string => `"${version}"`;
  const told = async (id: string): Promise<Placement> => (await serializePlacements(db, [await byId(id)], renderContext()))[0]!;
  const reply = async (id: string) => {
    const row = await byId(id);
    return { data: (await serializePlacements(db, [row], renderContext()))[0]!, etag: versionTag(row.placement) };
  };

  /* What is asked at a place, with its options by their bare names; refused where the code cannot have it. */
  const fitting = async ({ source, asked }: { source: Pick<StoredPlacement['source'], 'base' | 'found'>; asked: LevelledOptions }): Promise<Options> => {
    const { code, composition } = await compositionOf({ base: source.base, found: source.found, asked }, renderContext());
    refuseProblems(composition.problems);
    return withBareNames(asked.placement ?? {}, code.sheet);
  };

  return {
    'placements.list': async ({ query, signal }) => {
      const filter: PlacementFilter = {};
      if (query.embed !== undefined) filter.embedId = (await embedByKey(db, query.embed)).embed.id;
      if (query.site !== undefined) filter.siteId = (await siteByKey(db, query.site)).id;
      if (query.page !== undefined) filter.pageId = (await pageByKey(db, query.page)).page.id;
      // Out of date is what was seen live and would come out otherwise today; that alone is worked out and not stored.
      const worked = query.state === 'live' || query.state === 'out-of-date';
      if (query.state !== undefined) filter.seen = query.state === 'out-of-date' ? 'live' : query.state;
      // So pages are read until enough of them fit, or nobody waits any more.
      const items: Placement[] = [];
      let { after } = query;
      for (;;) {
        const page = keyset(await listPlacements(db, filter, query.limit, after), query.limit, (row) => row);
        const all = await serializePlacements(db, page.items, renderContext());
        for (const [i, item] of all.entries()) {
          if (worked && item.state !== query.state) continue;
          items.push(item);
          if (items.length === query.limit) {
            const more = i < all.length - 1 || page.next !== null;
            return { data: { items, next: more ? String(page.items[i]!.id) : null } };
          }
        }
        if (page.next === null || signal.aborted) return { data: { items, next: null } };
        after = page.next;
      }
    },
    'placements.create': async ({ body, actor }) => {
      const { embed, source, revision } = await embedByKey(db, body.embed);
      if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
      const { spot, site } = await spotByKey(db, body.place);
      const asked = { placement: body.options, embed: revision.options, site: defaultsFor(site.defaults, embed.kind as Kind) };
      const options = Object.keys(body.options).length > 0 ? await fitting({ source, asked }) : body.options;
      try {
        return { status: 201, data: await told(await insertPlacement(db, embed.id, spot.id, options, actor)) };
      } catch (error) {
        if (!isDuplicate(error)) throw error;
        const there = await placementOf(db, embed.id, spot.id);
        throw new OrbisError('already-placed', { embed: embed.key, place: body.place, placement: there?.publicId ?? null });
      }
    },
    'placements.read': ({ params }) => reply(params.placement),
    'placements.change': async ({ params, body, matchState }) => {
      await inTransaction(db, async (tx) => {
        const row = await placementById(tx, params.placement);
        matchState(versionTag(row.placement), 'placement');
        const asked = { ...askedAt(row), placement: body.options };
        const options = await fitting({ source: row.source, asked });
        if (!(await changePlacement(tx, row.placement, options))) throw new OrbisError('if-match-stale', { what: 'placement' });
      });
      return reply(params.placement);
    },
    'placements.delete': async ({ params, actor }) => {
      await endPlacement(db, (await byId(params.placement)).id, actor.now);
      return { data: undefined, status: 204 };
    },
    'placements.link': async ({ params, actor }) => {
      const { id, embed } = await byId(params.placement);
      if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
      await markLinked(db, id, actor.now);
      return { data: { link: deps.origins().placementUrl(params.placement) } };
    },
    'deliveries.create': async ({ params, actor }) => {
      const { delivery, isNew } = await deliver(db, await byId(params.placement), renderContext(), actor);
      return { status: isNew ? 201 : 200, data: serializeDelivery(params.placement, delivery) };
    },
    'deliveries.list': async ({ params, query }) => {
      const row = await byId(params.placement);
      return { data: keyset(await listDeliveries(db, row.id, query.limit, query.after), query.limit, (delivery) => serializeDelivery(params.placement, delivery)) };
    },
  };
}

const serializeDelivery = (placement: string, { delivery, revision }: DeliveryWithRevision): Delivery => ({
  placement,
  number: delivery.number,
  revision,
  options: delivery.options,
  snippets: delivery.snippets.map(serializeSnippet),
  text: delivery.text,
  digest: delivery.digest,
  issuedAt: delivery.createdAt.toISOString(),
});
