import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { sweptHost } from './schema.ts';

/** The id of a host by its name, which is made known where it is not. Call it in a transaction. */
export async function hostNamed(tx: Handle, name: string): Promise<number> {
  const find = () => tx.select({ id: sweptHost.id }).from(sweptHost).where(eq(sweptHost.name, name));
  // Mostly it is known, and whoever reads from it is not held up.
  const [known] = await find();
  if (known) return known.id;
  await tx.insert(sweptHost).ignore().values({ name });
  // Whoever was faster is seen only by a reading that locks.
  const [row] = await find().for('update');
  return row!.id;
}

/** A host by its name; null where nothing is known of one. */
export async function findHost(db: Handle, name: string): Promise<typeof sweptHost.$inferSelect | null> {
  const [row] = await db.select().from(sweptHost).where(eq(sweptHost.name, name));
  return row ?? null;
}
