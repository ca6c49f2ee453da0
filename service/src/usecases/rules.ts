import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { versionTag } from '../serializers/version-tag.ts';
import type { Actor } from '../store/embeds.ts';
import { readRules, writeRules } from '../store/rules.ts';
import { markAll } from '../store/stale.ts';
import type { Rules } from '../store/tables/providers.ts';
import type { MatchState } from './match-state.ts';

/** Changes rules for all embeds; what is not named stays as it is. */
export async function changeRules(
  change: Partial<Rules>,
  matchState: MatchState,
  { connection: { db }, sheetRegistry }: Pick<Deps, 'connection' | 'sheetRegistry'>,
  { now }: Actor,
): Promise<void> {
  await inTransaction(db, async (tx) => {
    const stored = await readRules(tx);
    matchState(versionTag(stored), 'rules');
    await writeRules(tx, { ...stored.rules, ...change }, stored.version, now);
    await markAll(tx);
  });
  await sheetRegistry.refresh(db);
}
