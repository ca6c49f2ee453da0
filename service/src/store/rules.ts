import { eq } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { Rules } from './tables/providers.ts';
import { rule } from './schema.ts';

/* There is one row of them. */
const only = 1;

/** What holds where nothing was said. */
export const usualRules: Rules = { dropTracking: false };

/** The rules for all embeds, with the state that a change must name. */
export async function readRules(db: Handle): Promise<{ rules: Rules; version: number }> {
  const [row] = await db.select().from(rule).where(eq(rule.id, only));
  return row
    ? { rules: { ...usualRules, ...row.rules }, version: row.version }
    : { rules: usualRules, version: 0 };
}

/** Call it in a transaction that has read them. */
export async function writeRules(tx: Handle, rules: Rules, version: number, now: Date): Promise<void> {
  const values = { rules, version: version + 1, changedAt: now };
  await tx
    .insert(rule)
    .values({ id: only, ...values })
    .onDuplicateKeyUpdate({ set: values });
}
