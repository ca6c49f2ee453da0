import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';
import { OrbisError } from '@orbis/contract';

/**
 * Characters that a password has at least; there is no other rule but that it must not be in common use (NIST
 * SP 800-63B, section 3.1.1.2).
 */
const leastPassword = 12;

/* OWASP's advice for argon2id: 19 MiB, two passes, one lane. */
const argon = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

let common: ReadonlySet<string> | null = null;

/* Only what is long enough to be asked about, so that the list is not in memory twice. */
const commonPasswords = (): ReadonlySet<string> =>
  (common ??= new Set(
    dictionary['passwords-common'].map(String).filter(({ length }) => length >= leastPassword),
  ));

/**
 * The hash of a new password, in the PHC string format.
 * @throws OrbisError `password-weak` where it is short, `password-common` where many use it.
 */
export async function hashPassword(password: string): Promise<string> {
  if (Array.from(password).length < leastPassword)
    throw new OrbisError('password-weak', { least: leastPassword }, [
      { pointer: '/password', detail: `at least ${leastPassword} characters` },
    ]);
  if (isCommon(password))
    throw new OrbisError('password-common', {}, [
      { pointer: '/password', detail: 'many people use this one' },
    ]);
  return hash(password, argon);
}

/** Whether many use it: as it stands, or as something short said over and over. */
export function isCommon(password: string): boolean {
  const plain = password.toLowerCase();
  return commonPasswords().has(plain) || new Set(plain).size < 4;
}

let nobodys: Promise<string> | null = null;

/** Whether a password is the one that was hashed; where none was set that takes as long to deny. */
export async function isPassword(password: string, hashed: string | null): Promise<boolean> {
  const isSame = await verify(hashed ?? (await (nobodys ??= hash(randomBytes(32), argon))), password);
  return hashed !== null && isSame;
}
