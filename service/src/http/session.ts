import { hash, verify } from '@node-rs/argon2';
import { OrbisError, type Session } from '@orbis/contract';
import type { Deps } from '../app.ts';
import { closeSession, listTokens, makeToken, openSession, owner, revokeToken, setPassword, useLink, type Person, type TokenRow } from '../store/people.ts';
import { keyset } from '../store/pages.ts';
import type { Handlers, Named } from './reply.ts';
import { inTransaction } from '../database/transaction.ts';

const leastPassword = 10;

/* OWASP's advice for argon2id: 19 MiB, two passes, one lane. */
const argon = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Signing in and out, passwords, tokens. */
export function sessionHandlers(deps: Deps): Handlers<Named<'session' | 'password' | 'tokens'>> {
  const { now } = deps;
  const { db } = deps.connection;
  const told = (person: Person | null, setUp: boolean): Session => ({
    signedIn: person !== null,
    setUp,
    person: person && { name: person.name },
    frames: deps.origins().ownHosts ? 'own-hosts' : 'shared-host',
  });
  const checked = async (password: string): Promise<Person> => {
    const person = await owner(db, now());
    if (!person.passwordHash || !(await verify(person.passwordHash, password))) throw new OrbisError('wrong-password');
    return person;
  };
  const signedIn = async (personId: number) => {
    const person = await owner(db, now());
    return { data: told(person, person.passwordHash !== null), session: await openSession(db, personId, now()) };
  };
  const newToken = async (personId: number, name: string) => {
    const { row, secret } = await makeToken(db, personId, name, now());
    return { status: 201, data: { id: row.publicId, name: row.name, createdAt: row.createdAt.toISOString(), token: secret } };
  };
  return {
    'session.read': async ({ person }) => ({ data: told(person, (await owner(db, now())).passwordHash !== null) }),
    'session.create': async ({ body }) => signedIn((await checked(body.password)).id),
    'session.link': async ({ body }) => {
      const personId = await useLink(db, body.secret, 'sign-in', now());
      if (personId === null) throw new OrbisError('link-used');
      return signedIn(personId);
    },
    'session.delete': async ({ sessionSecret }) => {
      if (sessionSecret) await closeSession(db, sessionSecret);
      return { data: undefined, status: 204, session: null };
    },
    'password.set': async ({ body }) => {
      if ([...body.password].length < leastPassword)
        throw new OrbisError('password-weak', { least: leastPassword }, [{ pointer: '/password', detail: `at least ${leastPassword} characters` }]);
      const passwordHash = await hash(body.password, argon);
      const personId = await inTransaction(db, async (tx) => {
        const id = await useLink(tx, body.secret, 'password', now());
        if (id === null) throw new OrbisError('link-used');
        await setPassword(tx, id, passwordHash, body.name);
        return id;
      });
      return signedIn(personId);
    },
    'tokens.create': async ({ act, body }) => newToken(act.by, body.name),
    'tokens.exchange': async ({ body }) => newToken((await checked(body.password)).id, body.name),
    'tokens.list': async ({ act, query }) => ({ data: keyset(await listTokens(db, act.by, query.limit, query.after), query.limit, tellToken) }),
    'tokens.delete': async ({ act, params }) => {
      if (!(await revokeToken(db, act.by, params.token, now()))) throw new OrbisError('not-found', { what: 'token', key: params.token });
      return { data: undefined, status: 204 };
    },
  };
}

const tellToken = (row: TokenRow) => ({ id: row.publicId, name: row.name, createdAt: row.createdAt.toISOString(), lastUsedAt: row.lastUsedAt?.toISOString() ?? null });
