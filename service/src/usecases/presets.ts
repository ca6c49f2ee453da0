import { builtInPresets, type Options } from '@orbis/core';
import { OrbisError } from '@orbis/contract';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { deletePreset, findPreset, putPreset, type PresetRow } from '../store/presets.ts';
import { checkOptions } from './check-options.ts';
import type { MatchState } from './match-state.ts';

/** What a preset holds under its key. */
export interface PresetValues {
  meaning: string;
  options: Options;
}

/** The state of a preset, for `If-Match`: 0 where there is none of the owner's own. */
export const presetTag = (row: Pick<PresetRow, 'version'> | null): string =>
  versionTag(row ?? { version: 0 });

export const presetValues = ({ meaning, options }: PresetRow): PresetValues => ({ meaning, options });

/** Keeps a preset of the owner’s own. @returns whether it is new. */
export async function savePreset(
  key: string,
  values: PresetValues,
  matchState: MatchState,
  { connection: { db }, renderContext }: Pick<Deps, 'connection' | 'renderContext'>,
  actor: Actor,
): Promise<boolean> {
  checkOptions(values.options, renderContext().sheets);
  return inTransaction(
    db,
    async (tx) => {
      const before = await findPreset(tx, key);
      matchState(
        presetTag(before),
        'preset',
        before !== null || builtInPresets.some((known) => known.key === key),
      );
      if (!(await putPreset(tx, before, { key, ...values }, actor)))
        throw new OrbisError('if-match-stale', { what: 'preset' });
      const facts = { kind: before === null ? 'added' : 'changed', what: 'preset', key } as const;
      const effect = { of: 'preset' as const, before: before && presetValues(before), after: values };
      await recordChange(tx, { facts, effect }, actor);
      return before === null;
    },
    { duplicates: true },
  );
}

/** @throws OrbisError `not-found` where the owner has none of this name. */
export const removePreset = (
  key: string,
  matchState: MatchState,
  { connection: { db } }: Pick<Deps, 'connection'>,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await findPreset(tx, key);
    if (!row) throw new OrbisError('not-found', { what: 'preset of your own', key });
    matchState(presetTag(row), 'preset');
    await deletePreset(tx, row);
    const effect = { of: 'preset' as const, before: presetValues(row), after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'preset', key }, effect }, actor);
  });
