import { OrbisError } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { keyset } from '../../store/pages.ts';
import { listTokens, makeToken, revokeToken, type NewToken, type TokenRow } from '../../store/tokens.ts';
import { confirmPassword, meantBy, whoSignsIn } from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

/** Tokens for programs; only who gives the password makes one. */
export function tokenHandlers({
  connection: { db },
  now,
}: Pick<Deps, 'connection' | 'now'>): Handlers<Named<'tokens'>> {
  const make = async (personId: number, values: NewToken) => {
    const { row, secret } = await makeToken(db, personId, values, now());
    return { status: 201, data: { ...serializeToken(row), token: secret } };
  };
  return {
    'tokens.create': async ({ actor, person, body, visitor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      return make(actor.by, body);
    },
    'tokens.exchange': async ({ body: { person: name, password, code, ...values }, visitor, act }) => {
      await meantBy(db, act, name);
      const { person } = await whoSignsIn(db, { name, password, code }, visitor, now());
      Object.assign(act, { personId: person.id, who: person.name });
      return make(person.id, values);
    },
    'tokens.list': async ({ actor, query }) => ({
      data: keyset(await listTokens(db, actor.by, query.limit, query.after), query.limit, serializeToken),
    }),
    'tokens.delete': async ({ actor, params }) => {
      if (!(await revokeToken(db, actor.by, params.token, now())))
        throw new OrbisError('not-found', { what: 'token', key: params.token });
      return { data: undefined, status: 204 };
    },
  };
}

const serializeToken = (row: TokenRow) => ({
  id: row.publicId,
  name: row.name,
  access: row.access,
  createdAt: row.createdAt.toISOString(),
  expiresAt: row.expiresAt.toISOString(),
  lastUsedAt: row.lastUsedAt?.toISOString() ?? null,
  lastUsedFrom: row.lastUsedFrom,
});
