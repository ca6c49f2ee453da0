import { OrbisError } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import type { Act } from '../store/act.ts';
import type { Scope } from '../store/attempts.ts';
import { isKnownDevice, rememberDevice } from '../store/devices.ts';
import { digest } from '../digest.ts';
import { personNamed, withPassword, type Person } from '../store/people.ts';
import { openSession, type Whereabouts } from '../store/sessions.ts';
import { counted, networkOf } from './attempts.ts';
import { isPassword } from './passwords.ts';
import { secondFactor } from './second-factor.ts';

/** Who is at the other end, before it is known who that is. */
export interface Visitor extends Whereabouts {
  /** The secrets that came along in cookies. */
  session: string | null;
  device: string | null;
}

/** What somebody signs in with. */
export interface Credentials {
  /** By which name; it is not needed while one person alone has a password. */
  name?: string | undefined;
  password: string;
  /** A code of their app, or a recovery code, where a second factor is asked for. */
  code?: string | undefined;
}

/** Somebody who gave what it takes to be let in, and whether a second factor was with it. */
export interface Proven {
  person: Person;
  withFactor: boolean;
}

/**
 * Finds out who signs in. Wrong passwords are counted for the account and for the part of the network that
 * they come from, with growing pauses; from a browser that somebody signed in with before, for that browser
 * alone, so that nobody else's attempts keep its owner out. A right password without the second factor that
 * it takes is none that was right, so what was counted stays.
 * @throws OrbisError `wrong-password`, `name-needed`, `second-factor-needed`, `wrong-code`,
 * `too-many-attempts`
 */
export async function whoSignsIn(
  db: Database,
  { name, password, code }: Credentials,
  visitor: Visitor,
  now: Date,
): Promise<Proven> {
  const person = await personMeant(db, name);
  const account = person ? String(person.id) : `named ${digest(name?.toLowerCase() ?? '')}`;
  const scopes = await scopesOf(db, { account, personId: person?.id ?? null }, visitor);
  return counted(db, scopes, now, async () => {
    // Whether a name is known shows neither in the answer nor in how long it takes.
    const isRight = await isPassword(password, person?.passwordHash ?? null);
    if (!person || !isRight) throw new OrbisError('wrong-password', { named: name !== undefined });
    return { person, withFactor: await secondFactor(db, person.id, code, now) };
  });
}

/** Says of an act in whose name somebody tries to sign in, where there is somebody of that name. */
export async function meantBy(db: Database, act: Act, name: string | undefined): Promise<void> {
  const person = name === undefined ? null : await personNamed(db, name);
  if (person) Object.assign(act, { personId: person.id, who: person.name });
}

/**
 * Sees that it is really they who are signed in, by their password; attempts are counted as at signing in.
 * @throws OrbisError `wrong-password`, `too-many-attempts`
 */
export async function confirmPassword(
  db: Database,
  { id, passwordHash }: Person,
  password: string,
  visitor: Visitor,
  now: Date,
): Promise<void> {
  const scopes = await scopesOf(db, { account: String(id), personId: id }, visitor);
  await counted(db, scopes, now, async () => {
    if (!(await isPassword(password, passwordHash))) throw new OrbisError('wrong-password');
  });
}

/* Somebody by their name, or the only one who can sign in. */
async function personMeant(db: Database, name: string | undefined): Promise<Person | null> {
  if (name !== undefined) {
    const found = await personNamed(db, name);
    return found?.removedAt === null ? found : null;
  }
  const [only, ...others] = await withPassword(db, 2);
  if (others.length > 0) throw new OrbisError('name-needed');
  return only ?? null;
}

async function scopesOf(
  db: Database,
  { account, personId }: { account: string; personId: number | null },
  { address, device }: Visitor,
): Promise<Scope[]> {
  const known = device !== null && personId !== null && (await isKnownDevice(db, personId, device));
  if (known) return [{ name: `device ${digest(device)}`, free: 10, longest: 300 }];
  return [
    { name: `account ${account}`, free: 30, longest: 300 },
    { name: `network ${networkOf(address)}`, free: 10, longest: 3600 },
  ];
}

/**
 * Uses a one-time secret; attempts are counted apart from those of passwords. @throws OrbisError
 * `too-many-attempts`
 */
export const withLink = <T>(db: Database, visitor: Visitor, now: Date, use: () => Promise<T>): Promise<T> =>
  counted(db, [{ name: `link ${networkOf(visitor.address)}`, free: 10, longest: 600 }], now, use);

/**
 * Lets somebody in: with a session in place of the one that they came with, in a browser
 * that is known from now on.
 */
export async function letIn(
  db: Handle,
  { person: { id }, withFactor }: Proven,
  visitor: Visitor,
  now: Date,
): Promise<{ session: { secret: string; expiresAt: Date }; device?: string }> {
  const session = await openSession(db, { personId: id, withFactor }, visitor, visitor.session, now);
  const known = visitor.device !== null && (await isKnownDevice(db, id, visitor.device));
  return { session, ...(!known && { device: await rememberDevice(db, id, now) }) };
}
