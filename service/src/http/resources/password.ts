import type { Deps } from '../../deps.ts';
import { personById } from '../../store/people.ts';
import { withFactors } from '../../store/second-factors.ts';
import { changePassword, setPasswordByLink } from '../../usecases/change-password.ts';
import { actsWithBrowser, signIn, stranger, tellSession } from '../../usecases/tell-session.ts';
import type { Handlers, Named } from '../reply.ts';

/** Passwords: set by a link, and changed by whoever knows the one that holds. */
export function passwordHandlers(deps: Deps): Handlers<Named<'password'>> {
  const { now } = deps;
  const { db } = deps.connection;
  return {
    'password.set': async ({ body, visitor, act }) => {
      const { personId, ended } = await setPasswordByLink(db, body, visitor, now());
      const person = (await personById(db, personId))!;
      // A link that somebody made takes the place of a password, not of what its owner has beside that.
      if ((await withFactors(db, [personId])).has(personId)) {
        actsWithBrowser(act, person);
        return { data: { ...(await tellSession(stranger, deps)), ended }, session: null };
      }
      const entry = await signIn({ person, withFactor: false }, { ...visitor, device: null }, act, deps);
      return { ...entry, data: { ...entry.data, ended } };
    },
    'password.change': async ({ person, body, visitor }) => ({
      data: await changePassword(db, person!, body, visitor, now()),
    }),
  };
}
