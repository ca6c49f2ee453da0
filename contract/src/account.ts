import { publicId, time } from './common.ts';
import { grants } from './people.ts';
import { z } from './zod.ts';

export const person = z
  .object({
    name: z.string(),
    ...grants,
    readOnly: z.boolean().meta({ description: 'Whether it is a token that asks, which may only read' }),
    mustSetUp: z.boolean().meta({
      description: 'Whether a second factor is demanded that they do not have: all else is kept from them',
    }),
  })
  .meta({ id: 'Person' });
export const session = z
  .object({
    signedIn: z.boolean(),
    setUp: z.boolean().meta({ description: 'Whether anybody has set a password yet' }),
    needsName: z
      .boolean()
      .meta({ description: 'Whether signing in takes a name, as several people have a password' }),
    passkeys: z.boolean().meta({ description: 'Whether anybody signs in with a passkey' }),
    person: person.nullable(),
    owners: z
      .array(z.string())
      .meta({ description: 'Whom to ask for what one may not do: the first owners; none for nobody' }),
    frames: z.string(),
  })
  .meta({ id: 'Session' });
const ended = z
  .object({ sessions: z.number().int(), tokens: z.number().int() })
  .meta({ id: 'Ended', description: 'How many sessions and tokens this ended' });
export const endedAccess = ended;
/** What setting a password answers: the session that it opens, and what it ended. */
export const sessionAfterReset = session.extend({ ended }).meta({ id: 'SessionAfterReset' });
/** A browser in which somebody is signed in. */
export const openSession = z
  .object({
    id: publicId,
    current: z.boolean().meta({ description: 'Whether it is the one that asks' }),
    createdAt: time,
    usedAt: time,
    expiresAt: time.meta({
      description: 'When it ends in any case; one that is not used for seven days ends before',
    }),
    address: z.string().meta({ description: 'Where it was last used from' }),
    browser: z.string().meta({ description: 'The browser, as people call it' }),
  })
  .meta({ id: 'OpenSession' });
export const tokenAccess = z.enum(['all', 'read']);
export const token = z
  .object({
    id: publicId,
    name: z.string(),
    access: tokenAccess,
    createdAt: time,
    expiresAt: time,
    lastUsedAt: time.nullable(),
    lastUsedFrom: z.string().nullable().meta({ description: 'The address that it was last used from' }),
  })
  .meta({ id: 'Token' });
export const newToken = token
  .extend({ token: z.string().meta({ description: 'The secret; it is shown this once only' }) })
  .meta({ id: 'NewToken' });

export type Session = z.infer<typeof session>;
export type Token = z.infer<typeof token>;
export type OpenSession = z.infer<typeof openSession>;
