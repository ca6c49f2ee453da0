import { OrbisError, type OpenSession } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { forgetDevices } from '../../store/devices.ts';
import { keyset } from '../../store/pages.ts';
import { useLink } from '../../store/one-time-links.ts';
import { personById } from '../../store/people.ts';
import { closeSession, endSession, endSessions, isSession, listSessions } from '../../store/sessions.ts';
import { browserName } from '../../usecases/browser-name.ts';
import { askForPasskey, whoUsesPasskey } from '../../usecases/passkeys.ts';
import { meantBy, whoSignsIn, withLink, type Visitor } from '../../usecases/signing-in.ts';
import { signIn, tellSession } from '../../usecases/tell-session.ts';
import type { Handlers, Named } from '../reply.ts';

/** Signing in and out, and the sessions that are open. */
export function sessionHandlers(deps: Deps): Handlers<Named<'session' | 'sessions'>> {
  const { now } = deps;
  const { db } = deps.connection;
  return {
    'session.read': async (call) => ({ data: await tellSession(call, deps) }),
    'session.create': async ({ body: { person: name, ...given }, visitor, act }) => {
      await meantBy(db, act, name);
      return signIn(await whoSignsIn(db, { name, ...given }, visitor, now()), visitor, act, deps);
    },
    'session.link': async ({ body, visitor, act }) => {
      const personId = await withLink(db, visitor, now(), async () => {
        const used = await useLink(db, body.secret, 'sign-in', now());
        if (used === null) throw new OrbisError('link-used');
        return used;
      });
      // Whoever makes such a link is at the server's own machine.
      return signIn({ person: (await personById(db, personId))!, withFactor: true }, visitor, act, deps);
    },
    'session.ask': async ({ visitor }) => ({ data: await askForPasskey(db, visitor, deps.origins(), now()) }),
    'session.passkey': async ({ body, visitor, act }) => {
      const person = await whoUsesPasskey(db, body.passkey, visitor, deps.origins(), now());
      return signIn({ person, withFactor: true }, visitor, act, deps);
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
