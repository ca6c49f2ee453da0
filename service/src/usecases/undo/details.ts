import { isDeepStrictEqual } from 'node:util';
import type { Handle } from '../../database/connect.ts';
import { changeEmbed, embedById, setTags, type Actor } from '../../store/embeds.ts';
import { markEmbeds } from '../../store/mark-stale.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { detailsOf, type Details } from '../details.ts';
import { changedSince } from './changed-since.ts';

/** Gives an embed its earlier name, notes and tags, or its earlier standing. */
export async function undoDetails(
  tx: Handle,
  { embedId, before, after }: Extract<ChangeEffect, { of: 'details' }>,
  { now }: Actor,
): Promise<null> {
  const embed = await embedById(tx, embedId);
  const names = Object.keys(before) as (keyof Details)[];
  if (!isDeepStrictEqual(await detailsOf(tx, embed, names), after)) throw changedSince([embed.key], 'embed');
  const { tags, retired, ...values } = before as Details;
  const retiredAt = retired === undefined ? {} : { retiredAt: retired ? now : null };
  if (!(await changeEmbed(tx, embed, { ...values, ...retiredAt }, now)))
    throw changedSince([embed.key], 'embed');
  if (tags) await setTags(tx, embed.id, tags);
  if (retired !== undefined) await markEmbeds(tx, [embed.id]);
  return null;
}
