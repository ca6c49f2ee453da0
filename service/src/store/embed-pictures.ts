import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { isOneOf } from './one-of.ts';
import { embed, embedPicture } from './schema.ts';

export type EmbedPicture = Omit<typeof embedPicture.$inferInsert, 'embedId'>;

/** Keeps the picture of an embed, in the place of the one before. */
export async function keepPicture(db: Handle, embedId: number, picture: EmbedPicture): Promise<void> {
  await db
    .insert(embedPicture)
    .values({ embedId, ...picture })
    .onDuplicateKeyUpdate({ set: picture });
}

/** The picture of an embed by its key; null where none was taken. */
export async function pictureOf(db: Handle, key: string): Promise<{ data: Buffer; takenAt: Date } | null> {
  const [row] = await db
    .select({ data: embedPicture.data, takenAt: embedPicture.takenAt })
    .from(embedPicture)
    .innerJoin(embed, eq(embed.id, embedPicture.embedId))
    .where(eq(embed.key, key));
  return row ?? null;
}

/** When the picture of each of these embeds was taken, and of which revision, of those that have one. */
export async function picturesTaken(
  db: Handle,
  ids: readonly number[],
): Promise<Map<number, Pick<EmbedPicture, 'takenAt' | 'revision'>>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: embedPicture.embedId, takenAt: embedPicture.takenAt, revision: embedPicture.revision })
    .from(embedPicture)
    .where(isOneOf(embedPicture.embedId, ids));
  return new Map(rows.map(({ id, ...taken }) => [id, taken]));
}
