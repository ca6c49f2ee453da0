import { randomBytes } from 'node:crypto';
import { recoveryCodeCount } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { countRecoveryCodes, replaceRecoveryCodes } from '../store/recovery-codes.ts';

/* Crockford's base 32: no two characters that look alike. */
const letters = '0123456789abcdefghjkmnpqrstvwxyz';

/** A code of 60 random bits, in three groups: `7k2m-9qd0-xw4t`. */
const newRecoveryCode = (): string =>
  [...randomBytes(12)].map((byte, n) => `${n === 4 || n === 8 ? '-' : ''}${letters[byte & 31]!}`).join('');

/** A code as it is kept, however it was typed: what looks like another character is read as that. */
export const plainRecoveryCode = (typed: string): string =>
  typed.toLowerCase().replace(/[\s-]/g, '').replaceAll('o', '0').replace(/[il]/g, '1');

/** New codes in the place of all that somebody has. Call it in a transaction. */
export async function renewRecoveryCodes(tx: Handle, personId: number, now: Date): Promise<string[]> {
  const codes = Array.from({ length: recoveryCodeCount }, newRecoveryCode);
  await replaceRecoveryCodes(tx, personId, codes.map(plainRecoveryCode), now);
  return codes;
}

/** Codes for somebody who has none; null where there are some. Call it in a transaction. */
export const firstRecoveryCodes = async (
  tx: Handle,
  personId: number,
  now: Date,
): Promise<string[] | null> =>
  (await countRecoveryCodes(tx, personId)) > 0 ? null : renewRecoveryCodes(tx, personId, now);
