import { and, eq, gt, isNull, lt } from 'drizzle-orm';
import { randomBytes } from 'node:crypto';
import type { Handle } from '../database/connect.ts';
import { digest } from '../digest.ts';
import { challenge } from './schema.ts';

/* How long somebody has to unlock their device. */
const minutes = 5;

/** Makes what a browser is to sign with a passkey: 256 random bits. Those that nobody answered in time go. */
export async function makeChallenge(
  db: Handle,
  personId: number | null,
  now: Date,
): Promise<Uint8Array<ArrayBuffer>> {
  const bytes = Uint8Array.from(randomBytes(32));
  await db.delete(challenge).where(lt(challenge.expiresAt, now));
  await db.insert(challenge).values({
    hash: digest(Buffer.from(bytes).toString('base64url')),
    personId,
    expiresAt: new Date(now.getTime() + minutes * 60_000),
  });
  return bytes;
}

/** Uses up a challenge, in base64url; false where it is not known, somebody else’s, or its time is over. */
export async function useChallenge(
  db: Handle,
  signed: string,
  personId: number | null,
  now: Date,
): Promise<boolean> {
  const [result] = await db
    .delete(challenge)
    .where(
      and(
        eq(challenge.hash, digest(signed)),
        personId === null ? isNull(challenge.personId) : eq(challenge.personId, personId),
        gt(challenge.expiresAt, now),
      ),
    );
  return result.affectedRows === 1;
}
