import { mostCounted, type Provider } from '@orbis/contract';
import type { Sheet } from '@orbis/core';
import type { Deps } from '../../deps.ts';
import { endpointsOf } from '../../store/endpoints.ts';
import { declaredAddresses } from '../../store/places.ts';
import { countEmbedsOf, findSheet, listSheets, type SheetRow } from '../../store/sheets.ts';
import { learn } from '../../usecases/learn.ts';
import { noSuchSheet, removeSheet, saveSheet, sheetTag, trySheet } from '../../usecases/provider-sheets.ts';
import type { Handlers, Named } from '../reply.ts';

/** Provider sheets: looked at, learned, tried, kept, taken away. */
export function providerHandlers(deps: Deps): Handlers<Named<'providers'>> {
  const { sheetRegistry } = deps;
  const { db } = deps.connection;
  const told = (sheet: Sheet, row: SheetRow | null, counts: Map<string, number>): Provider => ({
    id: sheet.id,
    from: row === null ? 'built-in' : sheetRegistry.builtIn(sheet.id) ? 'override' : 'own',
    embeds: counts.get(sheet.id) ?? 0,
    changedAt: row?.changedAt.toISOString() ?? null,
    sheet,
  });
  const one = async (id: string) => {
    const row = await findSheet(db, id);
    const sheet = row?.sheet ?? sheetRegistry.builtIn(id);
    if (!sheet) throw noSuchSheet(id);
    const text = row?.text ?? `${JSON.stringify(sheet, null, 2)}\n`;
    return { data: { ...told(sheet, row, await countEmbedsOf(db, [id])), text }, etag: sheetTag(row) };
  };
  return {
    'providers.list': async () => {
      const { sheets } = sheetRegistry.renderContext();
      const ids = sheets.map(({ id }) => id);
      const counts = await countEmbedsOf(db, ids, mostCounted);
      const own = new Map((await listSheets(db)).map((row) => [row.sheetId, row]));
      const items = sheets.map((sheet) => told(sheet, own.get(sheet.id) ?? null, counts));
      return { data: { items, next: null } };
    },
    'providers.read': ({ params }) => one(params.provider),
    'providers.compare': async ({ body }) => {
      const data = await trySheet(body, deps);
      const own = await findSheet(db, data.id);
      const isThere = own !== null || sheetRegistry.builtIn(data.id) !== null;
      return isThere ? { data, etag: sheetTag(own) } : { data };
    },
    'providers.learn': async ({ body, actor }) => ({
      data: await learn(body, {
        sheets: sheetRegistry.renderContext().sheets,
        reader: deps.reader,
        fetching: deps.fetching,
        answers: deps.answers,
        listedFor: async (link) => (await endpointsOf(db, link))[0] ?? null,
        declared: await declaredAddresses(db),
        now: actor.now,
      }),
    }),
    'providers.save': async ({ params, body, matchState, actor }) => {
      const { isNew, changed } = await saveSheet({ id: params.provider, ...body }, matchState, deps, actor);
      const reply = await one(params.provider);
      return { ...reply, data: { ...reply.data, changed }, status: isNew ? 201 : 200 };
    },
    'providers.remove': async ({ params, query, matchState, actor }) => {
      await removeSheet({ id: params.provider, accept: query.accept === 'true' }, matchState, deps, actor);
      return { data: undefined, status: 204 };
    },
  };
}
