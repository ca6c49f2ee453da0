import { and, desc, eq, inArray } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { newSecret } from './ids.ts';
import { device } from './schema.ts';

/* So many browsers of somebody are remembered; the oldest are forgotten. */
const most = 50;

/** Remembers a browser in which somebody signed in; its secret, for the cookie. */
export async function rememberDevice(db: Handle, personId: number, now: Date): Promise<string> {
  const secret = newSecret();
  await db.insert(device).values({ hash: digest(secret), personId, createdAt: now });
  const old = await db
    .select({ hash: device.hash })
    .from(device)
    .where(eq(device.personId, personId))
    .orderBy(desc(device.createdAt))
    .limit(most)
    .offset(most);
  if (old.length > 0)
    await db.delete(device).where(
      inArray(
        device.hash,
        old.map(({ hash }) => hash),
      ),
    );
  return secret;
}

/** Whether somebody has signed in with this browser before. */
export async function isKnownDevice(db: Handle, personId: number, secret: string): Promise<boolean> {
  const found = await db
    .select({ hash: device.hash })
    .from(device)
    .where(and(eq(device.hash, digest(secret)), eq(device.personId, personId)));
  return found.length > 0;
}

/** Forgets the browsers of somebody. */
export const forgetDevices = async (db: Handle, personId: number): Promise<void> =>
  void (await db.delete(device).where(eq(device.personId, personId)));
