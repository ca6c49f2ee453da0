import { defaultsFor, withBareNames, type Kind, type LevelledOptions, type Options } from '@orbis/core';
import { OrbisError, refuseProblems, type Delivery, type Placement } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { isDuplicate } from '../../database/errors.ts';
import { inTransaction } from '../../database/transaction.ts';
import { digest } from '../../digest.ts';
import { listDeliveries, type Issued } from '../../store/issued.ts';
import { keyset } from '../../store/pages.ts';
import {
  changePlacement,
  endPlacement,
  insertPlacement,
  listPlacementIds,
  markLinked,
  placementOf,
  type PlacementFilter,
  type StoredPlacement,
} from '../../store/placements.ts';
import { countStale, markPage } from '../../store/stale.ts';
import { deliver } from '../../usecases/deliver.ts';
import { compositionOf } from '../../usecases/codes.ts';
import { askedAt } from '../../usecases/asked.ts';
import { planNext, planPage, type PlanTools } from '../../usecases/planning.ts';
import { placementById, showPlacements } from '../../usecases/placements.ts';
import { embedByKey } from '../../usecases/embeds.ts';
import { pageByKey, siteByKey, spotByKey } from '../../usecases/places.ts';
import { serializeSnippet } from '../../serializers/compositions.ts';
import type { Handlers, Named } from '../reply.ts';
import { versionTag } from '../version-tag.ts';

/* So many pages are planned before a list by state is answered. */
const pagesAtOnce = 50;

/** The register: placements, and what was issued for them. */
export function placementHandlers(deps: Deps): Handlers<Named<'placements' | 'deliveries'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const byId = (id: string): Promise<StoredPlacement> => placementById(db, id);
  const planTools: PlanTools = {
    db,
    renderContext: () => deps.sheetRegistry.refresh(db).then(renderContext),
    log: deps.log,
  };
  const told = async ({ id }: Pick<StoredPlacement, 'id'>): Promise<Placement> =>
    (await showPlacements([id], planTools))[0]!;
  const reply = async (id: string) => {
    const row = await byId(id);
    return { data: await told(row), etag: versionTag(row.placement) };
  };

  /* What is asked at a place, with its options by their bare names; refused where the code cannot have it. */
  const fitting = async ({
    source,
    asked,
  }: {
    source: Pick<StoredPlacement['source'], 'base' | 'found'>;
    asked: LevelledOptions;
  }): Promise<Options> => {
    const { code, composition } = await compositionOf(
      { base: source.base, found: source.found, asked },
      renderContext(),
    );
    refuseProblems(composition.problems);
    return withBareNames(asked.placement ?? {}, code.sheet);
  };

  return {
    'placements.list': async ({ query }) => {
      const filter: PlacementFilter = {};
      if (query.embed !== undefined) filter.embedId = (await embedByKey(db, query.embed)).embed.id;
      if (query.site !== undefined) filter.siteId = (await siteByKey(db, query.site)).id;
      if (query.page !== undefined) filter.pageId = (await pageByKey(db, query.page)).page.id;
      if (query.state !== undefined) {
        filter.state = query.state;
        // Who is in a state is known of planned pages only; a few are planned at once, of the rest it is said that they wait.
        await planNext(pagesAtOnce, planTools);
      }
      const ids = await listPlacementIds(db, filter, query.limit + 1, query.after);
      const items = await showPlacements(ids.slice(0, query.limit), planTools);
      return {
        data: {
          items,
          next: ids.length > query.limit ? String(ids[query.limit - 1]) : null,
          waiting: await countStale(db),
        },
      };
    },
    'placements.create': async ({ body, actor }) => {
      const { embed, source, revision } = await embedByKey(db, body.embed);
      if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
      const { spot, site, page } = await spotByKey(db, body.place);
      const asked = {
        placement: body.options,
        embed: revision.options,
        site: defaultsFor(site.defaults, embed.kind as Kind),
      };
      const options = Object.keys(body.options).length > 0 ? await fitting({ source, asked }) : body.options;
      try {
        const publicId = await inTransaction(db, async (tx) => {
          const placed = await insertPlacement(
            tx,
            { embedId: embed.id, spotId: spot.id, pageId: page.id, siteId: site.id, options },
            actor,
          );
          await markPage(tx, page.id);
          return placed;
        });
        return { status: 201, data: await told(await byId(publicId)) };
      } catch (error) {
        if (!isDuplicate(error)) throw error;
        const there = await placementOf(db, embed.id, spot.id);
        throw new OrbisError('already-placed', {
          embed: embed.key,
          place: body.place,
          placement: there?.publicId ?? null,
        });
      }
    },
    'placements.read': ({ params }) => reply(params.placement),
    'placements.change': async ({ params, body, matchState }) => {
      await inTransaction(db, async (tx) => {
        const row = await placementById(tx, params.placement);
        matchState(versionTag(row.placement), 'placement');
        const asked = { ...askedAt(row), placement: body.options };
        const options = await fitting({ source: row.source, asked });
        if (!(await changePlacement(tx, row.placement, options)))
          throw new OrbisError('if-match-stale', { what: 'placement' });
        await markPage(tx, row.page.id);
      });
      return reply(params.placement);
    },
    'placements.delete': async ({ params, actor }) => {
      const { placement, page } = await byId(params.placement);
      await inTransaction(db, async (tx) => {
        await endPlacement(tx, placement, actor.now);
        await markPage(tx, page.id);
      });
      return { data: undefined, status: 204 };
    },
    'placements.link': async ({ params, actor }) => {
      const { id, embed, page } = await byId(params.placement);
      if (embed.retiredAt) throw new OrbisError('embed-retired', { embed: embed.key });
      // Marked as well, so that what is served for it is written down even if that does not come about here.
      await inTransaction(db, async (tx) => {
        await markLinked(tx, id, actor.now);
        await markPage(tx, page.id);
      });
      await planPage(page.id, planTools);
      return { data: { link: deps.origins().placementUrl(params.placement) } };
    },
    'deliveries.create': async ({ params, actor }) => {
      const { issued, isNew } = await deliver(db, await byId(params.placement), renderContext(), actor);
      return { status: isNew ? 201 : 200, data: serializeDelivery(params.placement, issued) };
    },
    'deliveries.list': async ({ params, query }) => {
      const { id } = await byId(params.placement);
      const rows = await listDeliveries(db, { id, publicId: params.placement }, query.limit, query.after);
      return { data: keyset(rows, query.limit, (issued) => serializeDelivery(params.placement, issued)) };
    },
  };
}

const serializeDelivery = (placement: string, { delivery, revision, snippets, text }: Issued): Delivery => ({
  placement,
  number: delivery.number,
  revision,
  options: delivery.options,
  snippets: snippets.map(serializeSnippet),
  text,
  digest: digest(text),
  issuedAt: delivery.createdAt.toISOString(),
});
