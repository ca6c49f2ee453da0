import ipaddr from 'ipaddr.js';
import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { clearAttempts, countAttempt, type Scope } from '../store/attempts.ts';

/** Counts an attempt that is about to be made. @throws OrbisError `too-many-attempts` */
export async function count(db: Database, scopes: readonly Scope[], now: Date): Promise<void> {
  const seconds = await inTransaction(db, (tx) => countAttempt(tx, scopes, now));
  if (seconds !== null) throw new OrbisError('too-many-attempts', { seconds });
}

/**
 * Makes an attempt, which is counted before; once it was right, what was counted is forgotten.
 * @throws OrbisError `too-many-attempts`, and what the attempt throws.
 */
export async function counted<T>(
  db: Database,
  scopes: readonly Scope[],
  now: Date,
  attempt: () => Promise<T>,
): Promise<T> {
  await count(db, scopes, now);
  const done = await attempt();
  await clearAttempts(db, scopes, now);
  return done;
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
