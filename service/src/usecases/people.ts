import { mostOfPerson, OrbisError, rolesWith, spoken, type PersonRole, type SiteRole } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { isDuplicate } from '../database/errors.ts';
import { inTransaction } from '../database/transaction.ts';
import { versionTag } from '../serializers/version-tag.ts';
import { recordAct } from '../store/act.ts';
import { forgetDevices } from '../store/devices.ts';
import type { Actor } from '../store/embeds.ts';
import { endLinks, makeLink } from '../store/one-time-links.ts';
import {
  changePerson,
  countMadeBy,
  findPerson,
  insertPerson,
  peopleWith,
  personNamed,
  type Person,
} from '../store/people.ts';
import { countPlanLinksOf, deletePlanLinksOf } from '../store/plan-links.ts';
import { deleteFactors } from '../store/second-factors.ts';
import { countSessions, endSessions } from '../store/sessions.ts';
import { setSiteRoles, siteRolesOf } from '../store/site-people.ts';
import { countTokens, revokeTokens } from '../store/tokens.ts';
import type { MatchState } from './match-state.ts';
import { siteByKey } from './places.ts';

/** What somebody is called, and what they are. */
export interface PersonValues {
  name: string;
  email: string | null;
  role: PersonRole | null;
  sites: readonly { site: string; role: SiteRole }[];
}

/** A link by which somebody sets a password. */
interface PasswordLink {
  secret: string;
  expiresAt: Date;
}

/** Somebody, and the link by which they set a password. */
export interface InvitedPerson {
  person: Person;
  link: PasswordLink;
}

const minutesOf = (days: number): number => days * 24 * 60;

/** @throws OrbisError `not-found` */
export async function personByKey(db: Handle, id: string, options?: { lock?: boolean }): Promise<Person> {
  const found = await findPerson(db, id, options);
  if (!found) throw new OrbisError('not-found', { what: 'person', key: id });
  return found;
}

/**
 * Adds somebody, with a link by which they set a password.
 * @throws OrbisError `name-taken`, `nothing-granted`, `not-found` of a site
 */
export const invitePerson = (
  db: Database,
  { sites, days, ...values }: PersonValues & { days: number },
  actor: Actor,
): Promise<InvitedPerson> =>
  unlessNameTaken(db, values.name, () =>
    inTransaction(db, async (tx) => {
      refuseNothing(values.name, values.role, sites);
      const person = await insertPerson(tx, values, actor);
      await setSiteRoles(tx, person.id, await withIds(tx, sites));
      const link = await makeLink(tx, person.id, 'password', { minutes: minutesOf(days), now: actor.now });
      const said = spoken.people.done.invited(values.name, { role: values.role, sites: [...sites] });
      await recordAct(tx, actor, { said, before: null, after: { ...values, sites } });
      return { person, link };
    }),
  );

/** A new link for somebody, also for one who was removed: with it they come back. */
export const inviteAgain = (db: Database, id: string, days: number, actor: Actor): Promise<InvitedPerson> =>
  inTransaction(db, async (tx) => {
    const person = await personByKey(tx, id, { lock: true });
    await recordAct(tx, actor, { said: spoken.people.done.link(person.name) });
    const { now } = actor;
    return { person, link: await makeLink(tx, person.id, 'password', { minutes: minutesOf(days), now }) };
  });

/**
 * Changes what somebody is called, or what they may do.
 * @throws OrbisError `not-found`, `name-taken`, `nothing-granted`, `last-owner`
 */
export const changePersonValues = (
  db: Database,
  id: string,
  asked: { [K in keyof PersonValues]?: PersonValues[K] | undefined },
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  unlessNameTaken(db, asked.name ?? '', () =>
    inTransaction(db, async (tx) => {
      const person = await personByKey(tx, id, { lock: true });
      matchState(versionTag(person), 'person');
      const { name = person.name, email = person.email, role = person.role } = asked;
      const had = (await siteRolesOf(tx, [person.id])).get(person.id) ?? [];
      const sites = asked.sites ?? had;
      refuseNothing(name, role, sites);
      if (role !== 'owner') await refuseLastOwner(tx, person);
      if (!(await changePerson(tx, person, { name, email, role })))
        throw new OrbisError('if-match-stale', { what: 'person' });
      if (asked.sites) await setSiteRoles(tx, person.id, await withIds(tx, asked.sites));
      await recordAct(tx, actor, {
        said: spoken.people.done.changed(person.name, { role, sites: [...sites] }),
        before: { name: person.name, email: person.email, role: person.role, sites: had },
        after: { name, email, role, sites },
      });
    }),
  );

/** What of somebody is there, and what ends when they are removed. */
export async function standingOfPerson(db: Handle, id: string, now: Date) {
  const person = await personByKey(db, id);
  const [made, sessions, tokens, planLinks] = await Promise.all([
    countMadeBy(db, person.id, mostOfPerson),
    countSessions(db, person.id, now),
    countTokens(db, person.id, now),
    countPlanLinksOf(db, person.id, now),
  ]);
  return { ...made, sessions, tokens, planLinks };
}

/**
 * Removes somebody: whatever lets them in ends, and what they shared. What they made stays, with their name.
 * @throws OrbisError `not-found`, `last-owner`
 */
export const removePerson = (db: Database, id: string, matchState: MatchState, actor: Actor): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { now } = actor;
    const person = await personByKey(tx, id, { lock: true });
    matchState(versionTag(person), 'person');
    await refuseLastOwner(tx, person);
    await changePerson(tx, person, { removedAt: person.removedAt ?? now, passwordHash: null });
    await endSessions(tx, person.id, null);
    await forgetDevices(tx, person.id);
    await deleteFactors(tx, person.id);
    await revokeTokens(tx, person.id, now);
    await endLinks(tx, person.id, now);
    await deletePlanLinksOf(tx, person.id);
    await recordAct(tx, actor, { said: spoken.people.done.removed(person.name) });
  });

/* Somebody who may do nothing is nobody. */
function refuseNothing(name: string, role: PersonRole | null, sites: readonly unknown[]): void {
  if (role === null && sites.length === 0) throw new OrbisError('nothing-granted', { name });
}

/* Somebody has to be left who can decide who may do what. */
async function refuseLastOwner(tx: Handle, person: Person): Promise<void> {
  // Held, as two owners may be removing each other.
  const owners = await peopleWith(tx, rolesWith('manage'), 2, { lock: true });
  if (owners.length === 1 && owners[0]!.id === person.id)
    throw new OrbisError('last-owner', { name: person.name });
}

async function withIds(
  tx: Handle,
  sites: PersonValues['sites'],
): Promise<{ siteId: number; role: SiteRole }[]> {
  const out = new Map<number, SiteRole>();
  for (const { site, role } of sites) out.set((await siteByKey(tx, site)).id, role);
  return [...out].map(([siteId, role]) => ({ siteId, role }));
}

async function unlessNameTaken<T>(db: Handle, name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const other = await personNamed(db, name);
    throw new OrbisError('name-taken', { name, removed: (other?.removedAt ?? null) !== null });
  }
}
