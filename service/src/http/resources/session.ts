import { OrbisError, type Session } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { inTransaction } from '../../database/transaction.ts';
import { forgetDevices } from '../../store/devices.ts';
import { keyset } from '../../store/pages.ts';
import { owner, setPassword, useLink, type Person } from '../../store/people.ts';
import { closeSession, endSession, endSessions, isSession, listSessions } from '../../store/sessions.ts';
import { revokeTokens } from '../../store/tokens.ts';
import { browserName } from '../../usecases/browser-name.ts';
import { hashPassword } from '../../usecases/passwords.ts';
import { checkPassword, letIn, withLink, type Visitor } from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

/** Signing in and out, passwords, and the sessions that are open. */
export function sessionHandlers(deps: Deps): Handlers<Named<'session' | 'sessions' | 'password'>> {
  const { now } = deps;
  const { db } = deps.connection;
  const serialize = (person: Person | null, setUp: boolean): Session => ({
    signedIn: person !== null,
    setUp,
    person: person && { name: person.name },
    frames: deps.origins().ownHosts ? 'own-hosts' : 'shared-host',
  });
  const signedIn = async (personId: number, visitor: Visitor) => {
    const person = await owner(db, now());
    return {
      data: serialize(person, person.passwordHash !== null),
      ...(await letIn(db, personId, visitor, now())),
    };
  };
  return {
    'session.read': async ({ person }) => ({
      data: serialize(person, (await owner(db, now())).passwordHash !== null),
    }),
    'session.create': async ({ body, visitor }) =>
      signedIn((await checkPassword(db, body.password, visitor, now())).id, visitor),
    'session.link': async ({ body, visitor }) => {
      const personId = await withLink(db, visitor, now(), async () => {
        const used = await useLink(db, body.secret, 'sign-in', now());
        if (used === null) throw new OrbisError('link-used');
        return used;
      });
      return signedIn(personId, visitor);
    },
    'session.delete': async ({ visitor }) => {
      if (visitor.session !== null) await closeSession(db, visitor.session);
      return { data: undefined, status: 204, session: null };
    },
    'sessions.list': async ({ actor, visitor, query }) => {
      const rows = await listSessions(db, actor.by, now(), query.limit, query.after);
      const stamped = rows.map((row) => ({ ...row, id: row.createdAt.getTime() }));
      return {
        data: keyset(stamped, query.limit, (row) => ({
          id: row.publicId,
          current: isSession(row, visitor.session),
          createdAt: row.createdAt.toISOString(),
          usedAt: row.usedAt.toISOString(),
          expiresAt: row.expiresAt.toISOString(),
          address: row.address,
          browser: browserName(row.agent),
        })),
      };
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
    'password.set': async ({ body, visitor }) => {
      const passwordHash = await hashPassword(body.password);
      const { personId, ended } = await withLink(db, visitor, now(), () =>
        inTransaction(db, async (tx) => {
          const id = await useLink(tx, body.secret, 'password', now());
          if (id === null) throw new OrbisError('link-used');
          await setPassword(tx, id, passwordHash, body.name);
          // Whoever had the old one may have made them.
          await forgetDevices(tx, id);
          return {
            personId: id,
            ended: { sessions: await endSessions(tx, id, null), tokens: await revokeTokens(tx, id, now()) },
          };
        }),
      );
      const reply = await signedIn(personId, { ...visitor, device: null });
      return { ...reply, data: { ...reply.data, ended } };
    },
    'password.change': async ({ body, visitor }) => {
      const person = await checkPassword(db, body.current, visitor, now());
      const passwordHash = await hashPassword(body.password);
      const ended = await inTransaction(db, async (tx) => {
        await setPassword(tx, person.id, passwordHash);
        return {
          sessions: await endSessions(tx, person.id, visitor.session),
          tokens: body.endTokens ? await revokeTokens(tx, person.id, now()) : 0,
        };
      });
      return { data: ended };
    },
  };
}
