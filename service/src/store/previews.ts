import { and, eq, gt, lt } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { preview } from './schema.ts';

/* As long as somebody may look at one without changing anything. */
const minutes = 30;

/** What is sent of a preview: a document, its policy, and the one that only tells (CSP 3, section 3.2). */
export interface KeptPreview {
  html: string;
  policy: string;
  reportOnly: string | null;
}

/** Keeps a preview's document for half an hour under a random host name. */
export async function insertPreview(
  db: Handle,
  host: string,
  document: KeptPreview,
  { by, now }: Actor,
): Promise<Date> {
  const expiresAt = new Date(now.getTime() + minutes * 60_000);
  await db.delete(preview).where(lt(preview.expiresAt, now));
  await db.insert(preview).values({ host, ...document, expiresAt, createdAt: now, createdBy: by });
  return expiresAt;
}

export async function findPreview(db: Handle, host: string, now: Date): Promise<KeptPreview | null> {
  const [row] = await db
    .select()
    .from(preview)
    .where(and(eq(preview.host, host), gt(preview.expiresAt, now)));
  return row ?? null;
}
