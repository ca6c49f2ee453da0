import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { specimenSeen } from './schema.ts';

export type SpecimenSeenRow = typeof specimenSeen.$inferSelect;

/** Keeps what the specimen shows of a site’s editor, in the place of what it showed before. */
export const keepSpecimenSeen = (db: Handle, { siteId, ...seen }: SpecimenSeenRow): Promise<unknown> =>
  db
    .insert(specimenSeen)
    .values({ siteId, ...seen })
    .onDuplicateKeyUpdate({ set: seen });

export async function findSpecimenSeen(db: Handle, siteId: number): Promise<SpecimenSeenRow | null> {
  const [row] = await db.select().from(specimenSeen).where(eq(specimenSeen.siteId, siteId));
  return row ?? null;
}

/** Call it in a transaction. */
export const deleteSpecimenSeen = (tx: Handle, siteId: number): Promise<unknown> =>
  tx.delete(specimenSeen).where(eq(specimenSeen.siteId, siteId));
