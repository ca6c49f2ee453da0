import { z } from '../zod.ts';
import { label, listQuery, publicId } from '../common.ts';
import { personName } from '../people.ts';
import { signInCode } from '../security.ts';
import {
  endedAccess,
  health,
  lists,
  newToken,
  session,
  sessionAfterReset,
  tokenAccess,
} from '../resources.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const password = z.string().min(1).max(1000);
const person = personName
  .optional()
  .meta({ description: 'By which name; not needed as long as one person alone has a password' });
const secret = z.string().min(1).max(200);
const code = signInCode.optional().meta({
  description: 'A code of an app, or a recovery code; asked for of whoever has set that up',
});
const signInErrors = [
  'wrong-password',
  'wrong-code',
  'second-factor-needed',
  'name-needed',
  'too-many-attempts',
] as const;
const tokenBody = z.strictObject({
  password: password.meta({ description: 'Given again, so that an open window is not enough' }),
  name: label(80),
  access: tokenAccess.default('all').meta({ description: 'Whether it may change anything, or only read' }),
  days: z.number().int().min(1).max(3650).default(365).meta({ description: 'After so many days it ends' }),
});

export const sessionRoutes = {
  'health.live': route({
    ...paths['health.live'],
    summary: 'Whether this process answers; it asks nobody else',
    tag: 'Service',
    answer: health,
    statuses: [200],
    errors: [],
  }),
  'health.ready': route({
    ...paths['health.ready'],
    summary: 'Whether it can do its work: its database answers',
    tag: 'Service',
    answer: health,
    statuses: [200],
    errors: ['database-away'],
  }),
  'session.read': route({
    ...paths['session.read'],
    summary: 'Who is signed in, and whether a password has been set',
    tag: 'Signing in',
    answer: session,
    statuses: [200],
    errors: [],
  }),
  'session.create': route({
    ...paths['session.create'],
    summary: 'Sign in with a name and a password',
    tag: 'Signing in',
    body: z.strictObject({ person, password, code }),
    answer: session,
    statuses: [200],
    errors: signInErrors,
  }),
  'session.link': route({
    ...paths['session.link'],
    summary: 'Sign in with a one-time link',
    tag: 'Signing in',
    body: z.strictObject({ secret }),
    answer: session,
    statuses: [200],
    errors: ['link-used', 'too-many-attempts'],
  }),
  'session.delete': route({
    ...paths['session.delete'],
    summary: 'Sign out',
    tag: 'Signing in',
    statuses: [204],
    errors: [],
  }),
  'password.set': route({
    ...paths['password.set'],
    summary:
      'Set the password with a one-time link (first set-up, or a lost password). Ends every session and token, and signs in, unless a second factor has to be given for that',
    tag: 'Signing in',
    body: z.strictObject({ secret, password, name: personName.optional() }),
    answer: sessionAfterReset,
    statuses: [200],
    errors: ['link-used', 'name-taken', 'password-weak', 'password-common', 'too-many-attempts'],
  }),
  'password.change': route({
    ...paths['password.change'],
    summary: 'Change the password. Ends every other session',
    tag: 'Signing in',
    body: z.strictObject({
      current: password,
      password,
      endTokens: z.boolean().default(false).meta({ description: 'Whether the tokens end as well' }),
    }),
    answer: endedAccess,
    statuses: [200],
    errors: ['wrong-password', 'password-weak', 'password-common', 'too-many-attempts'],
  }),
  'sessions.list': route({
    ...paths['sessions.list'],
    summary: 'The browsers in which you are signed in',
    tag: 'Signing in',
    query: listQuery,
    answer: lists.sessions,
    statuses: [200],
    errors: [],
  }),
  'sessions.delete': route({
    ...paths['sessions.delete'],
    summary: 'Sign out in one browser',
    tag: 'Signing in',
    params: z.object({ session: publicId }),
    statuses: [204],
    errors: ['not-found'],
  }),
  'sessions.end': route({
    ...paths['sessions.end'],
    summary: 'Sign out everywhere, also here. Tokens stay',
    tag: 'Signing in',
    answer: endedAccess,
    statuses: [200],
    errors: [],
  }),
  'tokens.create': route({
    ...paths['tokens.create'],
    summary: 'Make a token for the command line, or for another program',
    tag: 'Signing in',
    body: tokenBody,
    answer: newToken,
    statuses: [201],
    location: () => pathOf('tokens.list'),
    errors: ['wrong-password', 'too-many-attempts'],
  }),
  'tokens.exchange': route({
    ...paths['tokens.exchange'],
    summary: 'Make a token with a name and a password, without being signed in',
    tag: 'Signing in',
    body: tokenBody.extend({ person, code }),
    answer: newToken,
    statuses: [201],
    location: () => pathOf('tokens.list'),
    errors: signInErrors,
  }),
  'tokens.list': route({
    ...paths['tokens.list'],
    summary: 'The tokens that have been made',
    tag: 'Signing in',
    query: listQuery,
    answer: lists.tokens,
    statuses: [200],
    errors: [],
  }),
  'tokens.delete': route({
    ...paths['tokens.delete'],
    summary: 'Revoke a token',
    tag: 'Signing in',
    params: z.object({ token: publicId }),
    statuses: [204],
    errors: ['not-found'],
  }),
};
