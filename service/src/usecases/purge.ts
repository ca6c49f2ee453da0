import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange } from '../store/change-log.ts';
import { changeEmbed, type Actor } from '../store/embeds.ts';
import { takeTextsOut } from '../store/purge.ts';
import { embedByKey, embedTag } from './embeds.ts';
import type { MatchState } from './match-state.ts';

/**
 * Takes the code of a retired embed, and whatever was written about it, out for good. That it was there,
 * where it stood, and who did what when is kept, and so is the reason.
 * @throws OrbisError `not-retired`, `still-placed`, `embed-purged`
 */
export const purge = (
  db: Database,
  key: string,
  reason: string,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { embed } = await embedByKey(tx, key);
    matchState(embedTag(embed), 'embed');
    if (embed.retiredAt === null) throw new OrbisError('not-retired', { embed: key });
    if (embed.placements > 0) throw new OrbisError('still-placed', { embed: key, count: embed.placements });
    const { by, now } = actor;
    const values = { notes: '', purgedAt: now, purgedBy: by, purgeReason: reason };
    if (!(await changeEmbed(tx, embed, values, now)))
      throw new OrbisError('if-match-stale', { what: 'embed' });
    await takeTextsOut(tx, embed);
    await recordChange(tx, { facts: { kind: 'purged', embed: key, reason } }, actor);
  });
