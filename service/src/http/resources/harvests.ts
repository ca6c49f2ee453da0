import type { Deps } from '../../deps.ts';
import { findEmbed } from '../../store/embeds.ts';
import { groupBy } from '../../store/group.ts';
import { itemsOf, listHarvests } from '../../store/harvests.ts';
import { keyset } from '../../store/pages.ts';
import { serializeHarvest, serializeHarvestSummary } from '../../serializers/harvests.ts';
import { serializeSummaries } from '../../usecases/embeds.ts';
import { harvestById, harvestPage, takeFound } from '../../usecases/harvest.ts';
import type { Handlers, Named } from '../reply.ts';

/** Whole pages read for their embeds, and which of these were taken. */
export function harvestHandlers(deps: Deps): Handlers<Named<'harvests'>> {
  const { db } = deps.connection;
  const reply = async (id: string, status = 200) => {
    const row = await harvestById(db, id);
    return { status, data: serializeHarvest(row, await itemsOf(db, [row.id]), deps.renderContext().sheets) };
  };
  return {
    'harvests.create': async ({ body, actor }) => reply(await harvestPage(body, deps, actor), 201),
    'harvests.list': async ({ query }) => {
      const page = keyset(await listHarvests(db, query.limit, query.after), query.limit, (row) => row);
      const ids = page.items.map((row) => row.id);
      const items = groupBy(await itemsOf(db, ids), ({ item }) => item.harvestId);
      return {
        data: {
          items: page.items.map((row) => serializeHarvestSummary(row, items.get(row.id) ?? [])),
          next: page.next,
        },
      };
    },
    'harvests.read': async ({ params }) => reply(params.harvest),
    'harvests.take': async ({ params, body, actor }) => {
      const keys = await takeFound(params.harvest, body, deps, actor);
      const rows = await Promise.all(keys.map(async (key) => (await findEmbed(db, key))!.embed));
      return { status: 201, data: { items: await serializeSummaries(db, rows, deps.renderContext()) } };
    },
  };
}
