import { serializeSnippet, type Delivery, type Placement } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { digest } from '../../digest.ts';
import { listDeliveries, type Issued } from '../../store/issued.ts';
import { keyset } from '../../store/pages.ts';
import { embedsBeside, listPlacementIds, type StoredPlacement } from '../../store/placements.ts';
import { countStale } from '../../store/stale.ts';
import { deliver } from '../../usecases/deliver.ts';
import { changeAtPlace } from '../../usecases/at-place.ts';
import { changePlacements } from '../../usecases/change-placements.ts';
import { move } from '../../usecases/move.ts';
import { endAtPlace, handOutLink, place } from '../../usecases/place.ts';
import { pagesAtOnce, planNext, planPage, planTools, type PlanTools } from '../../usecases/planning.ts';
import { reachOf } from '../../usecases/reach.ts';
import { placementFilter } from '../../usecases/placement-filter.ts';
import { readHits } from '../../usecases/hits.ts';
import { placementById, showPlacements } from '../../usecases/placements.ts';
import { versionTag } from '../../serializers/version-tag.ts';
import type { Handlers, Named } from '../reply.ts';

/** The register: placements, and what was issued for them. */
export function placementHandlers(deps: Deps): Handlers<Named<'placements' | 'deliveries' | 'reach'>> {
  const { renderContext } = deps;
  const { db } = deps.connection;
  const tools = planTools(deps);
  const told = async ({ id }: Pick<StoredPlacement, 'id'>): Promise<Placement> =>
    (await showPlacements([id], tools))[0]!;
  const reply = async (id: string) => {
    const row = await placementById(db, id);
    return { data: await told(row), etag: versionTag(row.placement) };
  };

  return {
    'placements.list': async ({ query }) => {
      const filter = await placementFilter(db, query);
      // Who is in a state is known of planned pages only; a few are planned at once, of the
      // rest it is said that they wait.
      if (filter.state !== undefined) await planNext(pagesAtOnce, tools);
      const ids = await listPlacementIds(db, filter, query.limit + 1, query.after);
      const [items, before] = await Promise.all([
        showPlacements(ids.slice(0, query.limit), tools),
        countStale(db),
      ]);
      const next = ids.length > query.limit ? String(ids[query.limit - 1]) : null;
      // Those that are shown may have been among them.
      return { data: { items, next, waiting: before === 0 ? 0 : await countStale(db) } };
    },
    'reach.read': async ({ query }) => ({ data: await reachOf(db, query) }),
    'placements.create': async ({ body, actor }) => {
      const id = await place(db, body, renderContext(), actor);
      const row = await placementById(db, id);
      return { status: 201, data: { ...(await told(row)), beside: await embedsBeside(db, row.placement) } };
    },
    'placements.read': ({ params }) => reply(params.placement),
    'placements.change': async ({ params, body, matchState, actor }) => {
      await changeAtPlace(db, params.placement, body, matchState, renderContext(), actor);
      return reply(params.placement);
    },
    'placements.changeMany': async ({ body, actor }) => ({
      data: { placements: await changePlacements(db, body, actor) },
    }),
    'placements.move': async ({ params, body, matchState, actor }) => {
      const asked = { id: params.placement, place: body.place };
      const row = await placementById(db, await move(db, asked, matchState, renderContext(), actor));
      return { status: 201, data: { ...(await told(row)), beside: await embedsBeside(db, row.placement) } };
    },
    'placements.delete': async ({ params, matchState, actor }) => {
      await endAtPlace(db, params.placement, matchState, actor);
      return { data: undefined, status: 204 };
    },
    'placements.hits': async ({ params }) => ({ data: await readHits(db, params.placement, deps.now()) }),
    'placements.link': async ({ params, actor }) => {
      await handOutLink(params.placement, actor, tools);
      return { data: { link: deps.origins().placementUrl(params.placement) } };
    },
    ...deliveryHandlers(deps, tools),
  };
}

/* What was issued for them. */
function deliveryHandlers(
  { connection: { db }, renderContext }: Deps,
  tools: PlanTools,
): Handlers<Named<'deliveries'>> {
  return {
    'deliveries.create': async ({ params, actor }) => {
      const row = await placementById(db, params.placement);
      const { issued, isNew, isFirstServed } = await deliver(db, row, renderContext(), actor);
      if (isFirstServed) await planPage(row.page.id, tools);
      return { status: isNew ? 201 : 200, data: serializeDelivery(params.placement, issued) };
    },
    'deliveries.list': async ({ params, query }) => {
      const { id } = await placementById(db, params.placement);
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
