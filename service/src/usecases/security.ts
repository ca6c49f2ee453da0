import { OrbisError, spoken, type DemandedOf, type FactorAdded, type Security } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import type { Origins } from '../origins.ts';
import { recordAct } from '../store/act.ts';
import { beginCodes, codeSecretOf, deleteCodes, useStep } from '../store/codes.ts';
import type { Actor } from '../store/embeds.ts';
import { deletePasskey, listPasskeys, type PasskeyRow } from '../store/passkeys.ts';
import type { Person } from '../store/people.ts';
import { countRecoveryCodes } from '../store/recovery-codes.ts';
import { deleteFactors, factorsOf, readDemand, writeDemand } from '../store/second-factors.ts';
import { endSessions, noteFactor } from '../store/sessions.ts';
import { forgetDevices } from '../store/devices.ts';
import { passkeyHost } from './passkey-host.ts';
import { personByKey } from './people.ts';
import { firstRecoveryCodes, renewRecoveryCodes } from './recovery-codes.ts';
import { firstCode } from './second-factor.ts';
import { newCodeSecret, otpauthAddress } from './time-codes.ts';

/** By what somebody signs in beside their password, and whether they have to. */
export async function tellSecurity(
  db: Handle,
  personId: number,
  origins: Pick<Origins, 'console'>,
): Promise<Security> {
  const [demandedOf, codes, passkeys, recoveryCodes] = await Promise.all([
    readDemand(db),
    codeSecretOf(db, personId),
    listPasskeys(db, personId),
    countRecoveryCodes(db, personId),
  ]);
  return {
    demandedOf,
    codesSince: codes?.since?.toISOString() ?? null,
    passkeys: passkeys.map(serializePasskey),
    passkeysPossible: passkeyHost(origins) !== null,
    recoveryCodes,
  };
}

const serializePasskey = ({ publicId, name, synced, createdAt, lastUsedAt }: PasskeyRow) => ({
  id: publicId,
  ...{ name, synced },
  createdAt: createdAt.toISOString(),
  lastUsedAt: lastUsedAt?.toISOString() ?? null,
});

/**
 * Begins with time-based codes: a secret for somebody’s app.
 * @throws OrbisError `codes-set-up`
 */
export async function beginWithCodes(
  db: Database,
  { id, name }: Pick<Person, 'id' | 'name'>,
  origins: Pick<Origins, 'console'>,
  now: Date,
): Promise<{ secret: string; address: string }> {
  const secret = newCodeSecret();
  if (!(await inTransaction(db, (tx) => beginCodes(tx, id, secret, now))))
    throw new OrbisError('codes-set-up');
  return { secret, address: otpauthAddress(secret, { name, host: new URL(origins.console).host }) };
}

/**
 * Has codes asked for from now on, by the first one that the app shows.
 * @throws OrbisError `codes-not-begun`, `wrong-code`, `too-many-attempts`
 */
export async function confirmCodes(
  db: Database,
  code: string,
  session: string | null,
  actor: Actor,
): Promise<FactorAdded['recovery']> {
  const { by, now } = actor;
  const step = await firstCode(db, by, code, now);
  return inTransaction(db, async (tx) => {
    if (!(await useStep(tx, by, step, now))) throw new OrbisError('wrong-code');
    await recordAct(tx, actor, { said: spoken.security.done.codesOn });
    return noteAdded(tx, session, actor);
  });
}

/** Recovery codes with the first factor; and this browser has given one. Call it in a transaction. */
export async function noteAdded(
  tx: Handle,
  session: string | null,
  { by, now }: Actor,
): Promise<FactorAdded['recovery']> {
  if (session !== null) await noteFactor(tx, session);
  return firstRecoveryCodes(tx, by, now);
}

/** @throws OrbisError `second-factor-demanded` */
export const removeCodes = (db: Database, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    await deleteCodes(tx, actor.by);
    await afterRemoval(tx, actor);
    await recordAct(tx, actor, { said: spoken.security.done.codesOff });
  });

/** @throws OrbisError `not-found`, `second-factor-demanded` */
export const removePasskey = (db: Database, id: string, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const name = await deletePasskey(tx, actor.by, id);
    if (name === null) throw new OrbisError('not-found', { what: 'passkey', key: id });
    await afterRemoval(tx, actor);
    await recordAct(tx, actor, { said: spoken.security.done.passkeyRemoved(name) });
  });

/* With the last factor go the codes that take its place; where one is demanded it stays. */
async function afterRemoval(tx: Handle, { by }: Actor): Promise<void> {
  const left = await factorsOf(tx, by);
  if (left.codes || left.passkeys > 0) return;
  if ((await readDemand(tx)) === 'all') throw new OrbisError('second-factor-demanded');
  await deleteFactors(tx, by);
}

/** @throws OrbisError `no-second-factor` */
export const newRecoveryCodes = (db: Database, actor: Actor): Promise<string[]> =>
  inTransaction(db, async (tx) => {
    const has = await factorsOf(tx, actor.by);
    if (!has.codes && has.passkeys === 0) throw new OrbisError('no-second-factor');
    await recordAct(tx, actor, { said: spoken.security.done.recovery });
    return renewRecoveryCodes(tx, actor.by, actor.now);
  });

/**
 * Demands a second factor of everybody, or of nobody.
 * @throws OrbisError `second-factor-own-first` where whoever demands it has none.
 */
export const demandFactor = (
  db: Database,
  of: DemandedOf,
  session: string | null,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const [has, before] = [await factorsOf(tx, actor.by), await readDemand(tx)];
    if (of === 'all' && !has.codes && has.passkeys === 0) throw new OrbisError('second-factor-own-first');
    await writeDemand(tx, of, actor.now);
    // Whoever demands it is not to be put out by that.
    if (of === 'all' && session !== null) await noteFactor(tx, session);
    const said = spoken.security.done.demanded[of];
    await recordAct(tx, actor, { said, before: { of: before }, after: { of } });
  });

/**
 * Takes away the factors of somebody who lost them. They are signed out everywhere, as what they lost
 * somebody else may have.
 * @throws OrbisError `not-found`
 */
export const takeFactors = (db: Database, key: string, actor: Actor) =>
  inTransaction(db, async (tx) => {
    const person = await personByKey(tx, key, { lock: true });
    const had = await deleteFactors(tx, person.id);
    const sessions = await endSessions(tx, person.id, null);
    await forgetDevices(tx, person.id);
    await recordAct(tx, actor, { said: spoken.security.done.taken(person.name), before: had });
    return { ...had, sessions };
  });
