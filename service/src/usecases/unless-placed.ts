import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { EmbedRow } from '../store/embeds.ts';
import { placementOf } from '../store/placements.ts';
import { spotByKey } from './places.ts';

/**
 * Places an embed into a spot, in a transaction: it is in one once at a time.
 * @throws OrbisError `already-placed`
 */
export async function unlessPlaced<T>(
  { embed, place }: { embed: EmbedRow; place: string },
  db: Database,
  work: (tx: Handle) => Promise<T>,
): Promise<T> {
  try {
    return await inTransaction(db, work);
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const { row } = (await spotByKey(db, place)).spot;
    const there = row && (await placementOf(db, embed.id, row.id));
    const facts = { embed: embed.key, place, placement: there?.publicId ?? null };
    throw new OrbisError('already-placed', facts);
  }
}
