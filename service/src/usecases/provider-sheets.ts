import type { Sheet } from '@orbis/core';
import { OrbisError, type SheetComparison, type SheetFault } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { deleteSheet, findSheet, putSheet, type SheetRow } from '../store/sheets.ts';
import type { MatchState } from './match-state.ts';
import { readWith, serializeDifferences, settleChange, touchedBy, type SheetChange } from './sheet-change.ts';
import type { SheetRegistry } from './sheet-registry.ts';
import { summarize } from './summarize.ts';

export type SheetTools = Pick<Deps, 'connection' | 'sheetRegistry' | 'reader'>;

/** The state of a sheet, for `If-Match`: 0 where there is none of the owner's own. */
export const sheetTag = (row: Pick<SheetRow, 'version'> | null): string => versionTag(row ?? { version: 0 });

/** What would come of keeping a sheet (its text), or of taking the owner’s own away (its id). */
export type SheetTrial = { text: string } | { remove: string };

/** Works out which embeds would come out differently, without changing anything. */
export async function trySheet(trial: SheetTrial, tools: SheetTools): Promise<SheetComparison> {
  const { sheetRegistry, connection } = tools;
  const { db } = connection;
  const sheet = 'text' in trial ? await sheetIn(trial.text, tools) : null;
  const id = sheet?.id ?? (await ownSheet(db, (trial as { remove: string }).remove, sheetRegistry)).sheetId;
  const sheets = sheet ? sheetRegistry.with(sheet) : sheetRegistry.without(id);
  const touched = await touchedBy(db, changeOf(id, sheets, sheetRegistry));
  const isBuiltIn = sheetRegistry.builtIn(id) !== null;
  return {
    id,
    exists: sheetRegistry.renderContext().sheets.some((known) => known.id === id),
    from: sheet ? (isBuiltIn ? 'override' : 'own') : isBuiltIn ? 'built-in' : null,
    embeds: touched.length,
    differs: await serializeDifferences(db, touched),
  };
}

/** A sheet of the owner’s own, as it is to be kept. */
export interface SheetToKeep {
  id: string;
  text: string;
  /** Whether it is accepted that embeds come out differently. */
  accept: boolean;
}

/**
 * Keeps a sheet; embeds that come out differently get a new revision.
 * @throws OrbisError `sheet-invalid`, `sheet-other-id`, `sheet-changes-embeds`
 */
export async function saveSheet(
  { id, text, accept }: SheetToKeep,
  matchState: MatchState,
  tools: SheetTools,
  actor: Actor,
): Promise<{ isNew: boolean; changed: number }> {
  const { sheetRegistry } = tools;
  const { db } = tools.connection;
  const sheet = await sheetIn(text, tools);
  if (sheet.id !== id) throw new OrbisError('sheet-other-id', { found: sheet.id, expected: id });
  const done = await inTransaction(
    db,
    async (tx) => {
      const before = await findSheet(tx, id);
      matchState(sheetTag(before), 'sheet', before !== null || sheetRegistry.builtIn(id) !== null);
      const touched = await touchedBy(tx, changeOf(id, sheetRegistry.with(sheet), sheetRegistry));
      if (!accept) refuseDifferences(await serializeDifferences(tx, touched));
      if (!(await putSheet(tx, before, { sheet, text }, actor)))
        throw new OrbisError('if-match-stale', { what: 'sheet' });
      const changed = await settleChange(tx, touched, actor);
      await recordChange(tx, { facts: { kind: 'sheet-saved', provider: id } }, actor);
      return { isNew: before === null, changed };
    },
    { duplicates: true },
  );
  await sheetRegistry.refresh(db);
  return done;
}

/**
 * Takes the owner’s own sheet away; where there is a built-in one, that holds again.
 * @param accept whether it is accepted that embeds are read without it.
 * @throws OrbisError `not-found`, `sheet-built-in`, `sheet-in-use`
 */
export async function removeSheet(
  { id, accept }: Pick<SheetToKeep, 'id' | 'accept'>,
  matchState: MatchState,
  { sheetRegistry, connection: { db } }: SheetTools,
  actor: Actor,
): Promise<void> {
  await inTransaction(db, async (tx) => {
    const row = await ownSheet(tx, id, sheetRegistry);
    matchState(sheetTag(row), 'sheet');
    const touched = await touchedBy(tx, changeOf(id, sheetRegistry.without(id), sheetRegistry));
    // Where a built-in one takes its place, only those count that come out differently with that one.
    const dependent = sheetRegistry.builtIn(id)
      ? (await serializeDifferences(tx, touched)).map(({ embed }) => embed)
      : readWith(touched, id);
    if (!accept) refuseUse(id, dependent);
    if (!(await deleteSheet(tx, row))) throw new OrbisError('if-match-stale', { what: 'sheet' });
    await settleChange(tx, touched, actor);
    await recordChange(tx, { facts: { kind: 'sheet-removed', provider: id } }, actor);
  });
  await sheetRegistry.refresh(db);
}

const changeOf = (id: string, sheets: readonly Sheet[], { renderContext }: SheetRegistry): SheetChange => ({
  id,
  before: renderContext(),
  after: { ...renderContext(), sheets },
});

function refuseDifferences(differences: SheetComparison['differs']): void {
  if (differences.length === 0) return;
  throw new OrbisError(
    'sheet-changes-embeds',
    { count: differences.length, embeds: summarize(differences.map(({ embed }) => embed)) },
    differences.map(({ embed, problems }) => ({
      embed,
      detail: problems[0]?.detail ?? 'Its code comes out differently.',
    })),
  );
}

function refuseUse(key: string, embeds: readonly string[]): void {
  if (embeds.length === 0) return;
  throw new OrbisError(
    'sheet-in-use',
    { key, count: embeds.length, embeds: summarize(embeds) },
    embeds.map((embed) => ({ embed, detail: 'It is read with this sheet.' })),
  );
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
    read.faults.map((fault) => ({ pointer: '/text', detail: at(fault) })),
  );
}

/** @throws OrbisError `not-found`, or `sheet-built-in` where there is none of the owner's own. */
async function ownSheet(db: Handle, id: string, registry: SheetRegistry): Promise<SheetRow> {
  const row = await findSheet(db, id);
  if (row) return row;
  throw registry.builtIn(id) ? new OrbisError('sheet-built-in', { key: id }) : noSuchSheet(id);
}

/** There is no such sheet, built-in or of the owner’s own. */
export const noSuchSheet = (id: string): OrbisError =>
  new OrbisError('not-found', {
    what: 'provider sheet',
    key: id,
  });
