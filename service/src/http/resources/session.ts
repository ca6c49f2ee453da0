import { OrbisError, rolesWith, type OpenSession, type Session } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { Act } from '../../store/act.ts';
import { forgetDevices } from '../../store/devices.ts';
import { keyset } from '../../store/pages.ts';
import { useLink } from '../../store/one-time-links.ts';
import { peopleWith, personById, withPassword, type Person } from '../../store/people.ts';
import { rightsOf, type RightsById } from '../../store/site-people.ts';
import { anybodyHasPasskey, readDemand, withFactors } from '../../store/second-factors.ts';
import { closeSession, endSession, endSessions, isSession, listSessions } from '../../store/sessions.ts';
import { browserName } from '../../usecases/browser-name.ts';
import { changePassword, setPasswordByLink } from '../../usecases/change-password.ts';
import { byKeys, mostToAsk } from '../../usecases/may.ts';
import { askForPasskey, whoUsesPasskey } from '../../usecases/passkeys.ts';
import {
  letIn,
  meantBy,
  whoSignsIn,
  withLink,
  type Proven,
  type Visitor,
} from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

interface WhoAsks {
  person: Person | null;
  rights: RightsById;
  readOnly: boolean;
  mustSetUp: boolean;
}

const nothing: RightsById = { role: null, sites: [] };

/* Who is signed in, what they may do, and whom to ask for the rest. */
async function tellSession(
  { person, rights, readOnly, mustSetUp }: WhoAsks,
  { connection: { db }, origins }: Pick<Deps, 'connection' | 'origins'>,
): Promise<Session> {
  const [known, passkeys, owners] = await Promise.all([
    withPassword(db, 2),
    anybodyHasPasskey(db),
    person === null ? [] : peopleWith(db, rolesWith('manage'), mostToAsk),
  ]);
  return {
    signedIn: person !== null,
    setUp: known.length > 0,
    needsName: known.length > 1,
    passkeys,
    person: person && { name: person.name, ...(await byKeys(db, rights)), readOnly, mustSetUp },
    owners: owners.map(({ name }) => name),
    frames: origins().ownHosts ? 'own-hosts' : 'shared-host',
  };
}

/** Signing in and out, passwords, and the sessions that are open. */
export function sessionHandlers(deps: Deps): Handlers<Named<'session' | 'sessions' | 'password'>> {
  const { now } = deps;
  const { db } = deps.connection;
  const actsAs = (act: Act, { id, name }: Person) =>
    Object.assign(act, { personId: id, who: name, means: 'browser', thing: null });
  const signedIn = async (proven: Proven, visitor: Visitor, act: Act) => {
    const { person, withFactor } = proven;
    actsAs(act, person);
    const entry = await letIn(db, proven, visitor, now());
    const rights = await rightsOf(db, person);
    const mustSetUp =
      !withFactor && (await readDemand(db)) === 'all' && !(await withFactors(db, [person.id])).has(person.id);
    return { data: await tellSession({ person, rights, readOnly: false, mustSetUp }, deps), ...entry };
  };
  return {
    'session.read': async (call) => ({ data: await tellSession(call, deps) }),
    'session.create': async ({ body: { person: name, ...given }, visitor, act }) => {
      await meantBy(db, act, name);
      return signedIn(await whoSignsIn(db, { name, ...given }, visitor, now()), visitor, act);
    },
    'session.link': async ({ body, visitor, act }) => {
      const personId = await withLink(db, visitor, now(), async () => {
        const used = await useLink(db, body.secret, 'sign-in', now());
        if (used === null) throw new OrbisError('link-used');
        return used;
      });
      // Whoever makes such a link is at the server's own machine.
      return signedIn({ person: (await personById(db, personId))!, withFactor: true }, visitor, act);
    },
    'session.ask': async ({ visitor }) => ({ data: await askForPasskey(db, visitor, deps.origins(), now()) }),
    'session.passkey': async ({ body, visitor, act }) => {
      const person = await whoUsesPasskey(db, body.passkey, visitor, deps.origins(), now());
      return signedIn({ person, withFactor: true }, visitor, act);
    },
    'session.delete': async ({ visitor }) => {
      if (visitor.session !== null) await closeSession(db, visitor.session);
      return { data: undefined, status: 204, session: null };
    },
    'sessions.list': async ({ actor, visitor, query }) => {
      const rows = await listSessions(db, actor.by, now(), query.limit, query.after);
      const stamped = rows.map((row) => ({ ...row, id: row.createdAt.getTime() }));
      return { data: keyset(stamped, query.limit, (row) => serializeOpen(row, visitor)) };
    },
    'sessions.delete': async ({ actor, params }) => {
      if (!(await endSession(db, actor.by, params.session)))
        throw new OrbisError('not-found', { what: 'session', key: params.session });
      return { data: undefined, status: 204 };
    },
    'sessions.end': async ({ actor }) => {
      const sessions = await endSessions(db, actor.by, null);
      await forgetDevices(db, actor.by);
      return { data: { sessions, tokens: 0 }, session: null };
    },
    'password.set': async ({ body, visitor, act }) => {
      const { personId, ended } = await setPasswordByLink(db, body, visitor, now());
      const person = (await personById(db, personId))!;
      // A link that somebody made takes the place of a password, not of what its owner has beside that.
      if ((await withFactors(db, [personId])).has(personId)) {
        actsAs(act, person);
        const stranger = { person: null, rights: nothing, readOnly: false, mustSetUp: false };
        return { data: { ...(await tellSession(stranger, deps)), ended }, session: null };
      }
      const reply = await signedIn({ person, withFactor: false }, { ...visitor, device: null }, act);
      return { ...reply, data: { ...reply.data, ended } };
    },
    'password.change': async ({ person, body, visitor }) => ({
      data: await changePassword(db, person!, body, visitor, now()),
    }),
  };
}

const serializeOpen = (
  row: Awaited<ReturnType<typeof listSessions>>[number],
  visitor: Visitor,
): OpenSession => ({
  id: row.publicId,
  current: isSession(row, visitor.session),
  createdAt: row.createdAt.toISOString(),
  usedAt: row.usedAt.toISOString(),
  expiresAt: row.expiresAt.toISOString(),
  address: row.address,
  browser: browserName(row.agent),
});
