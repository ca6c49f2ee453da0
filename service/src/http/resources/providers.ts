import { mostCounted, OrbisError, type Provider, type SheetFault } from '@orbis/contract';
import type { Sheet } from '@orbis/core';
import type { Deps } from '../../deps.ts';
import type { Handle } from '../../database/connect.ts';
import { endpointsOf } from '../../store/endpoints.ts';
import { readRules, writeRules } from '../../store/rules.ts';
import {
  countEmbedsOf,
  deleteSheet,
  findSheet,
  listSheets,
  putSheet,
  type SheetRow,
} from '../../store/sheets.ts';
import { markAll } from '../../store/stale.ts';
import { declaredAddresses } from '../../store/places.ts';
import { learn } from '../../usecases/learn.ts';
import {
  readWith,
  settleChange,
  serializeDifferences,
  touchedBy,
  type SheetChange,
} from '../../usecases/sheet-change.ts';
import { summarize } from '../../usecases/summarize.ts';
import type { Handlers, Named } from '../reply.ts';
import { inTransaction } from '../../database/transaction.ts';

/* The state of a sheet, for `If-Match`: 0 where there is none of the owner's own. */
const sheetTag = (row: Pick<SheetRow, 'version'> | null): string => `"${row?.version ?? 0}"`;

/** Provider sheets and rules for all embeds: looked at, kept, compared, taken away. */
export function providerHandlers(deps: Deps): Handlers<Named<'providers' | 'rules'>> {
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
  const listedFor = async (link: string) => (await endpointsOf(db, link))[0] ?? null;
  const change = (id: string, sheets: readonly Sheet[]): SheetChange => ({
    id,
    before: sheetRegistry.renderContext(),
    after: { ...sheetRegistry.renderContext(), sheets },
  });
  return {
    'providers.list': async () => {
      const { sheets } = sheetRegistry.renderContext();
      const counts = await countEmbedsOf(
        db,
        sheets.map(({ id }) => id),
        mostCounted,
      );
      const own = new Map((await listSheets(db)).map((row) => [row.sheetId, row]));
      return {
        data: { items: sheets.map((sheet) => told(sheet, own.get(sheet.id) ?? null, counts)), next: null },
      };
    },
    'providers.read': ({ params }) => one(params.provider),
    'providers.compare': async ({ body }) => {
      const removed =
        'remove' in body ? await ownSheet(db, body.remove, sheetRegistry.builtIn(body.remove)) : null;
      const sheet = 'text' in body ? await sheetIn(body.text, deps) : null;
      const id = sheet?.id ?? removed!.sheetId;
      const touched = await touchedBy(
        db,
        change(id, sheet ? sheetRegistry.with(sheet) : sheetRegistry.without(id)),
      );
      const builtIn = sheetRegistry.builtIn(id) !== null;
      return {
        data: {
          id,
          exists: sheetRegistry.renderContext().sheets.some((known) => known.id === id),
          from: sheet ? (builtIn ? 'override' : 'own') : builtIn ? 'built-in' : null,
          embeds: touched.length,
          differs: await serializeDifferences(db, touched),
        },
        etag: sheetTag(await findSheet(db, id)),
      };
    },
    'providers.learn': async ({ body, actor }) => {
      const { sheets } = sheetRegistry.renderContext();
      return {
        data: await learn(body, {
          sheets,
          reader: deps.reader,
          fetching: deps.fetching,
          answers: deps.answers,
          listedFor,
          declared: await declaredAddresses(db),
          now: actor.now,
        }),
      };
    },
    'providers.save': async ({ params, body, matchState, actor }) => {
      const sheet = await sheetIn(body.text, deps);
      if (sheet.id !== params.provider)
        throw new OrbisError('sheet-other-id', { found: sheet.id, expected: params.provider });
      const done = await inTransaction(
        db,
        async (tx) => {
          const before = await findSheet(tx, sheet.id);
          matchState(sheetTag(before), 'sheet');
          const touched = await touchedBy(tx, change(sheet.id, sheetRegistry.with(sheet)));
          const differences = await serializeDifferences(tx, touched);
          if (differences.length > 0 && !body.accept) {
            throw new OrbisError(
              'sheet-changes-embeds',
              { count: differences.length, embeds: summarize(differences.map(({ embed }) => embed)) },
              differences.map(({ embed, problems }) => ({
                pointer: `/${embed}`,
                detail: problems[0]?.detail ?? 'Its code comes out differently.',
              })),
            );
          }
          if (!(await putSheet(tx, before, { sheet, text: body.text }, actor)))
            throw new OrbisError('if-match-stale', { what: 'sheet' });
          return { isNew: before === null, changed: await settleChange(tx, touched, actor) };
        },
        { duplicates: true },
      );
      await sheetRegistry.refresh(db);
      const reply = await one(sheet.id);
      return { ...reply, data: { ...reply.data, changed: done.changed }, status: done.isNew ? 201 : 200 };
    },
    'providers.remove': async ({ params, query, matchState, actor }) => {
      await inTransaction(db, async (tx) => {
        const row = await ownSheet(tx, params.provider, sheetRegistry.builtIn(params.provider));
        matchState(sheetTag(row), 'sheet');
        const touched = await touchedBy(tx, change(row.sheetId, sheetRegistry.without(row.sheetId)));
        // Where a built-in one takes its place, only those count that come out differently with that one.
        const dependent = sheetRegistry.builtIn(row.sheetId)
          ? (await serializeDifferences(tx, touched)).map(({ embed }) => embed)
          : readWith(touched, row.sheetId);
        if (dependent.length > 0 && query.accept !== 'true') {
          throw new OrbisError(
            'sheet-in-use',
            { key: row.sheetId, count: dependent.length, embeds: summarize(dependent) },
            dependent.map((embed) => ({ pointer: `/${embed}`, detail: 'It is read with this sheet.' })),
          );
        }
        if (!(await deleteSheet(tx, row))) throw new OrbisError('if-match-stale', { what: 'sheet' });
        await settleChange(tx, touched, actor);
      });
      await sheetRegistry.refresh(db);
      return { data: undefined, status: 204 };
    },
    'rules.read': async () => {
      const { rules, version } = await readRules(db);
      return { data: rules, etag: `"${version}"` };
    },
    'rules.change': async ({ body, matchState, actor }) => {
      await inTransaction(db, async (tx) => {
        const { rules, version } = await readRules(tx);
        matchState(`"${version}"`, 'rules');
        await writeRules(tx, { ...rules, ...body }, version, actor.now);
        await markAll(tx);
      });
      await sheetRegistry.refresh(db);
      const { rules, version } = await readRules(db);
      return { data: rules, etag: `"${version}"` };
    },
  };
}

/** @throws OrbisError `sheet-invalid` with the first place that does not fit, and all of them as `errors`. */
async function sheetIn(text: string, { reader }: Pick<Deps, 'reader'>): Promise<Sheet> {
  const read = await reader.sheetFile(text);
  if (read.ok) return read.sheet;
  const at = ({ line, column, path, problem }: SheetFault): string =>
    `line ${line}, column ${column}${path ? ` (${path})` : ''}: ${problem}`;
  throw new OrbisError(
    'sheet-invalid',
    { problem: at(read.faults[0]!) },
    read.faults.map((fault) => ({ pointer: `/${fault.path}`, detail: at(fault) })),
  );
}

/** @throws OrbisError `not-found`, or `sheet-built-in` where there is none of the owner's own. */
async function ownSheet(db: Handle, id: string, builtIn: Sheet | null): Promise<SheetRow> {
  const row = await findSheet(db, id);
  if (row) return row;
  throw builtIn ? new OrbisError('sheet-built-in', { key: id }) : noSuchSheet(id);
}

const noSuchSheet = (id: string): OrbisError =>
  new OrbisError('not-found', {
    what: 'provider sheet',
    key: id,
    remedy: '“orbis providers list” shows them.',
  });
