import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordChange } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { readRules, writeRules } from '../store/rules.ts';
import { markAll } from '../store/mark-stale.ts';
import type { Rules } from '../store/tables/providers.ts';
import type { MatchState } from './match-state.ts';

/** Changes rules for all embeds; what is not named stays as it is. */
export async function changeRules(
  change: Partial<Rules>,
  matchState: MatchState,
  { connection: { db }, sheetRegistry }: Pick<Deps, 'connection' | 'sheetRegistry'>,
  actor: Actor,
): Promise<void> {
  await inTransaction(db, async (tx) => {
    const stored = await readRules(tx);
    matchState(versionTag(stored), 'rules');
    const after = { ...stored.rules, ...change };
    await writeRules(tx, after, stored.version, actor.now);
    await markAll(tx);
    const facts = { kind: 'changed', what: 'rules', key: '' } as const;
    await recordChange(tx, { facts, effect: { of: 'rules', before: stored.rules, after } }, actor);
  });
  await sheetRegistry.refresh(db);
}
