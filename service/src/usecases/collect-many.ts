import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordCollected } from '../store/change-log.ts';
import type { Actor } from '../store/embeds.ts';
import { insertEmbeds, type NewEmbed } from '../store/import.ts';

/** Puts embeds into the collection together, all or none. @returns their keys, in the same order. */
export const insertCollected = (db: Database, embeds: readonly NewEmbed[], actor: Actor): Promise<string[]> =>
  inTransaction(
    db,
    async (tx) => {
      if (embeds.length === 0) return [];
      const made = await insertEmbeds(tx, embeds, actor);
      await recordCollected(tx, made, actor);
      return made.map(({ key }) => key);
    },
    { duplicates: true },
  );
