import { OrbisError, rolesWith, type OpenSession, type Session } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import type { Act } from '../../store/act.ts';
import { forgetDevices } from '../../store/devices.ts';
import { keyset } from '../../store/pages.ts';
import { useLink } from '../../store/one-time-links.ts';
import { peopleWith, personById, withPassword, type Person } from '../../store/people.ts';
import { rightsOf, type RightsById } from '../../store/site-people.ts';
import { closeSession, endSession, endSessions, isSession, listSessions } from '../../store/sessions.ts';
import { browserName } from '../../usecases/browser-name.ts';
import { changePassword, setPasswordByLink } from '../../usecases/change-password.ts';
import { byKeys, mostToAsk } from '../../usecases/may.ts';
import { letIn, meantBy, whoSignsIn, withLink, type Visitor } from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

interface WhoAsks {
  person: Person | null;
  rights: RightsById;
  readOnly: boolean;
}

/* Who is signed in, what they may do, and whom to ask for the rest. */
async function tellSession(
  { person, rights, readOnly }: WhoAsks,
  { connection: { db }, origins }: Pick<Deps, 'connection' | 'origins'>,
): Promise<Session> {
  const [known, owners] = await Promise.all([
    withPassword(db, 2),
    person === null ? [] : peopleWith(db, rolesWith('manage'), mostToAsk),
  ]);
  return {
    signedIn: person !== null,
    setUp: known.length > 0,
    needsName: known.length > 1,
    person: person && { name: person.name, ...(await byKeys(db, rights)), readOnly },
    owners: owners.map(({ name }) => name),
    frames: origins().ownHosts ? 'own-hosts' : 'shared-host',
  };
}

/** Signing in and out, passwords, and the sessions that are open. */
export function sessionHandlers(deps: Deps): Handlers<Named<'session' | 'sessions' | 'password'>> {
  const { now } = deps;
  const { db } = deps.connection;
  const signedIn = async (person: Person, visitor: Visitor, act: Act) => {
    Object.assign(act, { personId: person.id, who: person.name, means: 'browser', thing: null });
    const entry = await letIn(db, person.id, visitor, now());
    const rights = await rightsOf(db, person);
    return { data: await tellSession({ person, rights, readOnly: false }, deps), ...entry };
  };
  return {
    'session.read': async (call) => ({ data: await tellSession(call, deps) }),
    'session.create': async ({ body: { person: name, password }, visitor, act }) => {
      await meantBy(db, act, name);
      return signedIn(await whoSignsIn(db, { name, password }, visitor, now()), visitor, act);
    },
    'session.link': async ({ body, visitor, act }) => {
      const personId = await withLink(db, visitor, now(), async () => {
        const used = await useLink(db, body.secret, 'sign-in', now());
        if (used === null) throw new OrbisError('link-used');
        return used;
      });
      return signedIn((await personById(db, personId))!, visitor, act);
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
      const reply = await signedIn(person, { ...visitor, device: null }, act);
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
