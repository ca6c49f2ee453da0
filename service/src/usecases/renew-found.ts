import { OrbisError } from '@orbis/contract';
import { inTransaction } from '../database/transaction.ts';
import type { Deps } from '../deps.ts';
import type { Actor } from '../store/embeds.ts';
import { decide, forgetCode, lockFindings } from '../store/findings.ts';
import { findFinding } from '../store/list-findings.ts';
import type { IngestTools } from './collect.ts';
import { renew } from './revise.ts';

/**
 * Takes in the newer code that a provider was found to hand out, as a new revision; everything that was asked
 * for stays, and the finding is solved.
 * @returns the key of the embed.
 * @throws OrbisError `not-found`, `finding-without-code`, and those of a newer code
 */
export async function renewFound(
  id: string,
  tools: IngestTools & Pick<Deps, 'connection'>,
  actor: Actor,
): Promise<string> {
  const { db } = tools.connection;
  const shown = await findFinding(db, id);
  if (!shown) throw new OrbisError('not-found', { what: 'finding', key: id });
  const { finding, embed } = shown;
  if (finding.rule !== 'code-renewed' || finding.code === null || !embed || finding.list === 'solved')
    throw new OrbisError('finding-without-code');
  const newer = { text: finding.code, anyway: false, dropUnfit: false, ofSameLink: true };
  await renew(db, { embed: embed.key, matchState: () => undefined }, newer, tools, actor);
  await inTransaction(db, async (tx) => {
    const rows = await lockFindings(tx, [id]);
    await decide(tx, rows, { list: 'solved', isNew: false, until: null, reason: '' }, actor);
    for (const row of rows) await forgetCode(tx, row);
  });
  return embed.key;
}
