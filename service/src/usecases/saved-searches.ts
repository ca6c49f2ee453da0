import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import {
  deleteSavedSearch,
  findSavedSearch,
  putSavedSearch,
  type SavedSearchRow,
} from '../store/saved-searches.ts';
import type { MatchState } from './match-state.ts';
import { placementSearch } from './search.ts';

/** The state of a kept search, for `If-Match`: 0 where there is none. */
export const searchTag = (row: Pick<SavedSearchRow, 'version'> | null): string =>
  versionTag(row ?? { version: 0 });

/** What a kept search holds under its name. */
export const searchValues = ({ where }: SavedSearchRow): { where: string } => ({ where });

/** @throws OrbisError `not-found` */
export async function savedSearchNamed(db: Database, name: string): Promise<SavedSearchRow> {
  const row = await findSavedSearch(db, name);
  if (!row) throw new OrbisError('not-found', { what: 'search', key: name });
  return row;
}

/**
 * Keeps a search of the register under a name.
 * @returns whether it is new.
 * @throws OrbisError `search-invalid` where nobody could search so, and of its state.
 */
export async function saveSearch(
  db: Database,
  { name, where }: { name: string; where: string },
  matchState: MatchState,
  actor: Actor,
): Promise<boolean> {
  placementSearch(where);
  return inTransaction(
    db,
    async (tx) => {
      const before = await findSavedSearch(tx, name);
      matchState(searchTag(before), 'search', before !== null);
      if (!(await putSavedSearch(tx, before, { name, where }, actor)))
        throw new OrbisError('if-match-stale', { what: 'search' });
      const facts = { kind: before === null ? 'added' : 'changed', what: 'search', key: name } as const;
      const effect = { of: 'search' as const, before: before && searchValues(before), after: { where } };
      await recordChange(tx, { facts, effect }, actor);
      return before === null;
    },
    { duplicates: true },
  );
}

/** @throws OrbisError `not-found` */
export const removeSearch = (
  db: Database,
  name: string,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const row = await findSavedSearch(tx, name);
    if (!row) throw new OrbisError('not-found', { what: 'search', key: name });
    matchState(searchTag(row), 'search');
    await deleteSavedSearch(tx, row);
    const effect = { of: 'search' as const, before: searchValues(row), after: null };
    await recordChange(tx, { facts: { kind: 'removed', what: 'search', key: row.name }, effect }, actor);
  });
