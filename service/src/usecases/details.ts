import type { Handle } from '../database/connect.ts';
import { tagsOf, type EmbedRow } from '../store/embeds.ts';

/** What of an embed makes no other code; only what a change is about is there. */
export interface Details {
  name?: string;
  notes?: string;
  tags?: string[];
  retired?: boolean;
}

/** The details of an embed that a change names, as they are. */
export async function detailsOf(
  tx: Handle,
  embed: EmbedRow,
  names: readonly (keyof Details)[],
): Promise<Details> {
  const all: Required<Details> = {
    name: embed.name,
    notes: embed.notes,
    tags: names.includes('tags') ? (await tagsOf(tx, [embed.id])).get(embed.id)! : [],
    retired: embed.retiredAt !== null,
  };
  return Object.fromEntries(names.map((name) => [name, all[name]]));
}
