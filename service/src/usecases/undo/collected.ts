import { OrbisError } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import { changedAfter, embedsOfChange, type ChangeRow } from '../../store/change-log.ts';
import { deleteEmbeds } from '../../store/embeds.ts';
import { embedsEverPlaced } from '../../store/placements.ts';
import { summarize } from '../summarize.ts';
import { changedSince } from './changed-since.ts';

/**
 * Takes embeds out of the collection again, as if they had never been collected.
 * @throws OrbisError `in-use` where one of them was placed, `changed-since` where one was changed.
 */
export async function undoCollecting(tx: Handle, { id }: ChangeRow): Promise<null> {
  const embeds = await embedsOfChange(tx, id);
  const ids = embeds.map((embed) => embed.id);
  const keysOf = (some: ReadonlySet<number>): string[] =>
    embeds.filter((embed) => some.has(embed.id)).map(({ key }) => key);
  const placed = keysOf(await embedsEverPlaced(tx, ids));
  if (placed.length > 0)
    throw new OrbisError('in-use', {
      what: 'embed',
      key: summarize(placed),
      by: 'the register keeps what was placed; retire it instead',
    });
  const changed = keysOf(await changedAfter(tx, id, ids));
  if (changed.length > 0) throw changedSince(changed, 'embed');
  await deleteEmbeds(tx, ids);
  return null;
}
