import { Secret, TOTP } from 'otpauth';

/* What all apps know (RFC 6238, section 1.2; RFC 4226, section 5.3). */
const usual = { issuer: 'Orbis', algorithm: 'SHA1', digits: 6, period: 30 } as const;

/* A clock may be off by so many half minutes, to either side (RFC 6238, section 5.2). */
const drift = 1;

/* As long as the hash is (RFC 4226, section 4). */
const secretBytes = 20;

/** A new secret, in Base32. */
export const newCodeSecret = (): string => new Secret({ size: secretBytes }).base32;

/** What an app scans: the secret with whose it is, and of which Orbis. */
export const otpauthAddress = (secret: string, { name, host }: { name: string; host: string }): string =>
  new TOTP({ ...usual, issuer: `${usual.issuer} (${host})`, label: name, secret }).toString();

/** Whether what was typed can be a code of an app, with or without a gap in it. */
export const isTimeCode = (typed: string): boolean => /^\d{3} ?\d{3}$/.test(typed);

/** The half minute that a code is of, counted since 1970; null where it is none of this secret by now. */
export function stepOf(secret: string, typed: string, now: Date): number | null {
  const timestamp = now.getTime();
  const token = typed.replace(' ', '');
  const delta = new TOTP({ ...usual, secret }).validate({ token, timestamp, window: drift });
  return delta === null ? null : TOTP.counter({ period: usual.period, timestamp }) + delta;
}
