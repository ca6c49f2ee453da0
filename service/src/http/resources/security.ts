import type { Deps } from '../../deps.ts';
import { beginPasskey, keepPasskey } from '../../usecases/passkeys.ts';
import {
  beginWithCodes,
  confirmCodes,
  demandFactor,
  newRecoveryCodes,
  removeCodes,
  removePasskey,
  tellSecurity,
} from '../../usecases/security.ts';
import { confirmPassword } from '../../usecases/signing-in.ts';
import type { Handlers, Named } from '../reply.ts';

/** Passkeys, codes of an app and recovery codes of whoever calls, and what is demanded of everybody. */
export function securityHandlers({
  connection: { db },
  origins,
  now,
}: Deps): Handlers<Named<'security' | 'codes' | 'passkeys' | 'recoveryCodes'>> {
  const told = (personId: number) => tellSecurity(db, personId, origins());
  return {
    'security.read': async ({ actor }) => ({ data: await told(actor.by) }),
    'security.demand': async ({ body, actor, visitor }) => {
      await demandFactor(db, body.of, visitor.session, actor);
      return { data: await told(actor.by) };
    },
    'codes.begin': async ({ body, person, visitor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      return { data: await beginWithCodes(db, person!, origins(), now()) };
    },
    'codes.confirm': async ({ body, actor, visitor }) => {
      const recovery = await confirmCodes(db, body.code, visitor.session, actor);
      return { data: { ...(await told(actor.by)), recovery } };
    },
    'codes.remove': async ({ body, person, visitor, actor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      await removeCodes(db, actor);
      return { data: await told(actor.by) };
    },
    'recoveryCodes.create': async ({ body, person, visitor, actor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      return { status: 201, data: { codes: await newRecoveryCodes(db, actor) } };
    },
    'passkeys.begin': async ({ body, person, visitor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      return { data: await beginPasskey(db, person!, origins(), now()) };
    },
    'passkeys.create': async ({ body, actor, visitor }) => {
      const recovery = await keepPasskey(db, body, { home: origins(), session: visitor.session, actor });
      return { status: 201, data: { ...(await told(actor.by)), recovery } };
    },
    'passkeys.remove': async ({ params, body, person, visitor, actor }) => {
      await confirmPassword(db, person!, body.password, visitor, now());
      await removePasskey(db, params.passkey, actor);
      return { data: await told(actor.by) };
    },
  };
}
