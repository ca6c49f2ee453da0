import type { Remains } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { revisedBy, type ChangeRow, type RevisedEmbed } from '../../store/change-log.ts';
import { restoreRevision, sourceOf, type Actor } from '../../store/embeds.ts';
import { addRevisions } from '../../store/group-changes.ts';
import { openSource, sameOptions } from '../codes.ts';
import { sourceOfCode } from '../collect.ts';
import type { RenderContext } from '../render-context.ts';
import { changedSince } from './changed-since.ts';

/**
 * Gives each embed of a change a new revision that is as it was before.
 * @throws OrbisError `changed-since` where what it did no longer stands.
 */
export async function undoRevisions(
  tx: Handle,
  { id }: ChangeRow,
  renderContext: RenderContext,
  actor: Actor,
): Promise<Remains | null> {
  const items = await revisedBy(tx, id);
  const since = items.filter(({ embed, now, after }) => embed.purgedAt !== null || !sameCode(now, after));
  if (since.length > 0)
    throw changedSince(
      since.map(({ embed }) => embed.key),
      'embed',
    );
  const ofSameSource = items.filter(({ now, before }) => now.sourceId === before.sourceId);
  await addRevisions(
    tx,
    ofSameSource.map(({ embed, before: { options, sheetId, sheetDigest, sourceId, number } }) => ({
      embed,
      sourceId,
      values: { options, sheetId, sheetDigest, reason: `revision ${number} again` },
    })),
    actor,
  );
  for (const item of items)
    if (item.now.sourceId !== item.before.sourceId) await bringBack(tx, item, renderContext, actor);
  const placements = items.reduce((sum, { embed }) => sum + embed.placements, 0);
  return placements > 0 ? { code: 'paste-again', placements } : null;
}

/* Whoever changed it, and changed it back, is in nobody’s way. */
const sameCode = (a: RevisedEmbed['now'], b: RevisedEmbed['now']): boolean =>
  a.sourceId === b.sourceId && sameOptions(a.options, b.options);

/* With an earlier code of its provider, what it is searched for is another. */
async function bringBack(
  tx: Handle,
  { embed, now, before }: RevisedEmbed,
  renderContext: RenderContext,
  actor: Actor,
): Promise<void> {
  const from = await sourceOf(tx, before);
  const code = await openSource({ base: from.base }, renderContext);
  const summary = sourceOfCode({ pasted: from.pasted, found: from.found, code });
  const source = await sourceOf(tx, now);
  if (!(await restoreRevision(tx, { embed, source, revision: now }, before, from, summary, actor)))
    throw changedSince([embed.key], 'embed');
}
