import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { forgetDevices } from '../store/devices.ts';
import { useLink } from '../store/one-time-links.ts';
import { setPassword, type Person } from '../store/people.ts';
import { endSessions } from '../store/sessions.ts';
import { revokeTokens } from '../store/tokens.ts';
import { hashPassword } from './passwords.ts';
import { isDuplicate } from '../database/errors.ts';
import { confirmPassword, withLink, type Visitor } from './signing-in.ts';

/** How many sessions and tokens a new password ended. */
export interface Ended {
  sessions: number;
  tokens: number;
}

/**
 * Sets a password with a one-time link. Whoever had the old one may have opened sessions, made tokens and be
 * known by a browser: all of that ends.
 * @throws OrbisError `link-used`, `name-taken`, `password-weak`, `password-common`
 */
export async function setPasswordByLink(
  db: Database,
  { secret, password, name }: { secret: string; password: string; name?: string | undefined },
  visitor: Visitor,
  now: Date,
): Promise<{ personId: number; ended: Ended }> {
  const passwordHash = await hashPassword(password);
  const set = async (tx: Handle): Promise<{ personId: number; ended: Ended }> => {
    const personId = await useLink(tx, secret, 'password', now);
    if (personId === null) throw new OrbisError('link-used');
    await setPassword(tx, personId, passwordHash, name);
    await forgetDevices(tx, personId);
    const sessions = await endSessions(tx, personId, null);
    return { personId, ended: { sessions, tokens: await revokeTokens(tx, personId, now) } };
  };
  return withLink(db, visitor, now, () =>
    inTransaction(db, set).catch((error: unknown) => {
      throw isDuplicate(error) ? new OrbisError('name-taken', { name }) : error;
    }),
  );
}

/**
 * Changes the password of somebody who knows the one that holds; every other session ends, and the tokens
 * where that is asked.
 */
export async function changePassword(
  db: Database,
  person: Person,
  { current, password, endTokens }: { current: string; password: string; endTokens: boolean },
  visitor: Visitor,
  now: Date,
): Promise<Ended> {
  await confirmPassword(db, person, current, visitor, now);
  const passwordHash = await hashPassword(password);
  return inTransaction(db, async (tx) => {
    await setPassword(tx, person.id, passwordHash);
    return {
      sessions: await endSessions(tx, person.id, visitor.session),
      tokens: endTokens ? await revokeTokens(tx, person.id, now) : 0,
    };
  });
}
