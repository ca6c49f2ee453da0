import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { plannedWith } from './schema.ts';
import { markAll, markFailed } from './mark-stale.ts';

/* There is one row of it. */
const only = 1;

/**
 * Says what pages are planned with from now on; where that is something else than before, all of them are
 * planned again, else those that could not be planned. Call it in a transaction.
 */
export async function planWith(tx: Handle, digest: string): Promise<void> {
  const [row] = await tx.select().from(plannedWith).where(eq(plannedWith.id, only));
  if (row?.digest === digest) return markFailed(tx);
  await tx.insert(plannedWith).values({ id: only, digest }).onDuplicateKeyUpdate({ set: { digest } });
  await markAll(tx);
}
