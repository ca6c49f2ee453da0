import { OrbisError } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { codeSecretOf, useStep } from '../store/codes.ts';
import { useRecoveryCode } from '../store/recovery-codes.ts';
import { factorsOf, readDemand } from '../store/second-factors.ts';
import { counted } from './attempts.ts';
import { plainRecoveryCode } from './recovery-codes.ts';
import { isTimeCode, stepOf } from './time-codes.ts';

/* Whoever gives a wrong code knew the password, so it is counted by itself, wherever they are. */
const ofCodes = (personId: number) => ({ name: `code ${personId}`, free: 5, longest: 900 });

/**
 * Asks for a second factor of somebody who gave their password, where that is needed: they have set up codes
 * of an app, or one is demanded of everybody.
 *
 * @param code a code of their app, or a recovery code.
 * @returns whether one was given.
 * @throws OrbisError `second-factor-needed`, `wrong-code`, `too-many-attempts`
 */
export async function secondFactor(
  db: Database,
  personId: number,
  code: string | undefined,
  now: Date,
): Promise<boolean> {
  const has = await factorsOf(db, personId);
  const isNeeded = has.codes || (has.passkeys > 0 && (await readDemand(db)) === 'all');
  if (!isNeeded) return false;
  if (code === undefined)
    throw new OrbisError('second-factor-needed', { codes: has.codes, passkeys: has.passkeys > 0 });
  return counted(db, [ofCodes(personId)], now, async () => {
    const isRight = isTimeCode(code)
      ? await useTimeCode(db, personId, code, now)
      : await useRecoveryCode(db, personId, plainRecoveryCode(code));
    if (!isRight) throw new OrbisError('wrong-code');
    return true;
  });
}

async function useTimeCode(db: Database, personId: number, code: string, now: Date): Promise<boolean> {
  const kept = await codeSecretOf(db, personId);
  if (kept?.since == null) return false;
  const step = stepOf(kept.secret, code, now);
  return step !== null && (await useStep(db, personId, step, now));
}

/**
 * Has codes asked for from now on, by the first one.
 * @throws OrbisError `codes-not-begun`, `wrong-code`, `too-many-attempts`
 */
export const firstCode = (db: Database, personId: number, code: string, now: Date): Promise<number> =>
  counted(db, [ofCodes(personId)], now, async () => {
    const begun = await codeSecretOf(db, personId);
    if (begun?.since !== null || now.getTime() - begun.begunAt.getTime() > begunHolds)
      throw new OrbisError('codes-not-begun');
    const step = stepOf(begun.secret, code, now);
    if (step === null) throw new OrbisError('wrong-code');
    return step;
  });

/* What was begun with holds for an hour. */
const begunHolds = 3_600_000;
