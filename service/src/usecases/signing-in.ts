import ipaddr from 'ipaddr.js';
import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { clearAttempts, countAttempt, type Scope } from '../store/attempts.ts';
import { isKnownDevice, rememberDevice } from '../store/devices.ts';
import { digest } from '../digest.ts';
import { owner, type Person } from '../store/people.ts';
import { openSession, type Whereabouts } from '../store/sessions.ts';
import { isPassword } from './passwords.ts';

/** Who is at the other end, before it is known who that is. */
export interface Visitor extends Whereabouts {
  /** The secrets that came along in cookies. */
  session: string | null;
  device: string | null;
}

/**
 * Checks a password. Wrong ones are counted for the account and for the part of the network that they come
 * from, with growing pauses; from a browser that somebody signed in with before, for that browser alone, so
 * that nobody else's attempts keep its owner out.
 * @throws OrbisError `wrong-password`, `too-many-attempts`
 */
export async function checkPassword(
  db: Database,
  password: string,
  visitor: Visitor,
  now: Date,
): Promise<Person> {
  const person = await owner(db, now);
  const known = visitor.device !== null && (await isKnownDevice(db, person.id, visitor.device));
  const scopes: Scope[] = known
    ? [{ name: `device ${digest(visitor.device!)}`, free: 10, longest: 300 }]
    : [
        { name: `account ${person.id}`, free: 30, longest: 300 },
        { name: `network ${networkOf(visitor.address)}`, free: 10, longest: 3600 },
      ];
  return counted(db, scopes, now, async () => {
    if (!(await isPassword(password, person.passwordHash))) throw new OrbisError('wrong-password');
    return person;
  });
}

/**
 * Uses a one-time secret; attempts are counted apart from those of passwords. @throws OrbisError
 * `too-many-attempts`
 */
export const withLink = <T>(db: Database, visitor: Visitor, now: Date, use: () => Promise<T>): Promise<T> =>
  counted(db, [{ name: `link ${networkOf(visitor.address)}`, free: 10, longest: 600 }], now, use);

async function counted<T>(
  db: Database,
  scopes: readonly Scope[],
  now: Date,
  attempt: () => Promise<T>,
): Promise<T> {
  const seconds = await inTransaction(db, (tx) => countAttempt(tx, scopes, now));
  if (seconds !== null) throw new OrbisError('too-many-attempts', { seconds });
  const done = await attempt();
  await clearAttempts(db, scopes, now);
  return done;
}

/**
 * Lets somebody in: with a session in place of the one that they came with, in a browser
 * that is known from now on.
 */
export async function letIn(
  db: Handle,
  personId: number,
  visitor: Visitor,
  now: Date,
): Promise<{ session: { secret: string; expiresAt: Date }; device?: string }> {
  const session = await openSession(db, personId, visitor, visitor.session, now);
  const known = visitor.device !== null && (await isKnownDevice(db, personId, visitor.device));
  return { session, ...(!known && { device: await rememberDevice(db, personId, now) }) };
}

/**
 * The part of the network that an address is of: what one customer of a provider has (IPv6
 * /64), or may have (IPv4 /24).
 */
export function networkOf(address: string): string {
  if (!ipaddr.isValid(address)) return 'unknown';
  const parsed = ipaddr.process(address);
  const [bits, kind] = parsed.kind() === 'ipv4' ? [24, ipaddr.IPv4] : [64, ipaddr.IPv6];
  return `${kind.networkAddressFromCIDR(`${parsed.toString()}/${bits}`).toString()}/${bits}`;
}
