import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { mostPasskeys, OrbisError, spoken, type FactorAdded } from '@orbis/contract';
import type { Database } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Origins } from '../origins.ts';
import { recordAct } from '../store/act.ts';
import { makeChallenge, useChallenge } from '../store/challenges.ts';
import type { Actor } from '../store/embeds.ts';
import {
  insertPasskey,
  listPasskeys,
  notePasskeyUsed,
  passkeyOf,
  type NewPasskey,
} from '../store/passkeys.ts';
import type { Person } from '../store/people.ts';
import { count, counted, networkOf } from './attempts.ts';
import { passkeyHost } from './passkey-host.ts';
import { noteAdded } from './security.ts';
import type { Visitor } from './signing-in.ts';

/** Where the console is reached: what passkeys are bound to. */
type Home = Pick<Origins, 'console'>;

/* @throws OrbisError `passkeys-impossible` */
function hostOf(home: Home): string {
  const host = passkeyHost(home);
  if (host === null) throw new OrbisError('passkeys-impossible', { home: home.console });
  return host;
}

/**
 * What somebody’s browser is asked to make: a passkey that it finds by itself, and that takes unlocking the
 * device, so that it is two factors in one.
 * @throws OrbisError `passkeys-impossible`, `too-many-passkeys`
 */
export async function beginPasskey(
  db: Database,
  { id, publicId, name }: Person,
  home: Home,
  now: Date,
): Promise<Record<string, unknown>> {
  const rpID = hostOf(home);
  const has = await listPasskeys(db, id);
  refuseTooMany(has.length);
  const options = await generateRegistrationOptions({
    ...{ rpName: 'Orbis', rpID, userName: name, userDisplayName: name },
    userID: new TextEncoder().encode(publicId),
    challenge: await makeChallenge(db, id, now),
    attestationType: 'none',
    excludeCredentials: has.map(({ credential, transports }) => ({
      id: credential,
      transports: transportsIn(transports),
    })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  return { ...options };
}

function refuseTooMany(count: number): void {
  if (count >= mostPasskeys) throw new OrbisError('too-many-passkeys', { most: mostPasskeys });
}

const transportsIn = (kept: string): AuthenticatorTransport[] =>
  kept.split(',').filter((each) => each !== '') as AuthenticatorTransport[];

/**
 * Keeps a passkey that a browser has made.
 * @throws OrbisError `passkey-refused`, `passkey-known`, `passkeys-impossible`, `too-many-passkeys`
 */
export async function keepPasskey(
  db: Database,
  { name, passkey }: { name: string; passkey: Record<string, unknown> },
  { home, session, actor }: { home: Home; session: string | null; actor: Actor },
): Promise<FactorAdded['recovery']> {
  const { by, now } = actor;
  const made = await madePasskey(db, passkey, { home, by, now });
  const keep = inTransaction(db, async (tx) => {
    refuseTooMany((await listPasskeys(tx, by)).length);
    await insertPasskey(tx, by, { ...made, name }, now);
    await recordAct(tx, actor, { said: spoken.security.done.passkeyAdded(name) });
    return noteAdded(tx, session, actor);
  });
  return keep.catch((error: unknown) => {
    throw isDuplicate(error) ? new OrbisError('passkey-known') : error;
  });
}

/* What is kept of it, once all of it is right. */
async function madePasskey(
  db: Database,
  passkey: Record<string, unknown>,
  { home, by, now }: { home: Home; by: number; now: Date },
): Promise<Omit<NewPasskey, 'name'>> {
  const { signed, done } = await verified((expectedChallenge) =>
    verifyRegistrationResponse({
      response: passkey as unknown as RegistrationResponseJSON,
      ...{ expectedChallenge, expectedOrigin: home.console, expectedRPID: hostOf(home) },
      requireUserVerification: true,
    }),
  );
  if (!done.verified || !(await useChallenge(db, signed, by, now))) throw new OrbisError('passkey-refused');
  const { credential, credentialBackedUp } = done.registrationInfo;
  return {
    credential: credential.id,
    publicKey: Buffer.from(credential.publicKey).toString('base64url'),
    counter: credential.counter,
    transports: (credential.transports ?? []).filter((each) => /^[a-z-]{1,20}$/.test(each)).join(','),
    synced: credentialBackedUp,
  };
}

/**
 * What a browser is asked for, of whoever wants to sign in with a passkey. Each question is kept for some
 * minutes, so they are counted, until one is answered rightly.
 * @throws OrbisError `passkeys-impossible`, `too-many-attempts`
 */
export async function askForPasskey(
  db: Database,
  visitor: Visitor,
  home: Home,
  now: Date,
): Promise<Record<string, unknown>> {
  const rpID = hostOf(home);
  await count(db, [scopeOf(visitor)], now);
  const challenge = await makeChallenge(db, null, now);
  return { ...(await generateAuthenticationOptions({ rpID, challenge, userVerification: 'required' })) };
}

const scopeOf = ({ address }: Visitor) => ({ name: `passkey ${networkOf(address)}`, free: 40, longest: 60 });

/**
 * Finds out who signs in with a passkey.
 * @throws OrbisError `passkey-refused`, `passkeys-impossible`, `too-many-attempts`
 */
export const whoUsesPasskey = (
  db: Database,
  sent: Record<string, unknown>,
  visitor: Visitor,
  home: Home,
  now: Date,
): Promise<Person> =>
  counted(db, [scopeOf(visitor)], now, async () => {
    const found = typeof sent['id'] === 'string' ? await passkeyOf(db, sent['id']) : null;
    if (found?.person.removedAt !== null) throw new OrbisError('passkey-refused');
    const { passkey, person } = found;
    const { signed, done } = await verified((expectedChallenge) =>
      verifyAuthenticationResponse({
        response: sent as unknown as AuthenticationResponseJSON,
        ...{ expectedChallenge, expectedOrigin: home.console, expectedRPID: hostOf(home) },
        credential: {
          id: passkey.credential,
          publicKey: Uint8Array.from(Buffer.from(passkey.publicKey, 'base64url')),
          counter: passkey.counter,
        },
        requireUserVerification: true,
      }),
    );
    if (!done.verified || !(await useChallenge(db, signed, null, now)))
      throw new OrbisError('passkey-refused');
    const { newCounter, credentialBackedUp } = done.authenticationInfo;
    await notePasskeyUsed(db, passkey.id, { counter: newCounter, synced: credentialBackedUp }, now);
    return person;
  });

/*
 * What was verified, with the challenge that was signed. What came is foreign, and whatever is wrong with it
 * is thrown, as errors of many kinds.
 */
async function verified<T>(
  verify: (expectedChallenge: (challenge: string) => boolean) => Promise<T>,
): Promise<{ signed: string; done: T }> {
  let signed = '';
  try {
    const done = await verify((challenge) => {
      signed = challenge;
      return true;
    });
    return { signed, done };
  } catch {
    throw new OrbisError('passkey-refused');
  }
}
