import { publicId } from '../common.ts';
import { session } from '../resources.ts';
import { demandedOf } from '../demanded-of.ts';
import {
  codesBegun,
  factorAdded,
  factorsTaken,
  passkeyMade,
  passkeyName,
  passkeyToMake,
  passkeyToUse,
  passkeyUsed,
  recoveryCodes,
  security,
  signInCode,
} from '../security.ts';
import { z } from '../zod.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Security';
const password = z
  .string()
  .min(1)
  .max(1000)
  .meta({ description: 'Given again, so that an open window is not enough' });
const confirmed = z.strictObject({ password });
const confirmErrors = ['wrong-password', 'too-many-attempts'] as const;

/** Passkeys, time-based codes and recovery codes, beside passwords. */
export const securityRoutes = {
  'security.read': route({
    ...paths['security.read'],
    summary: 'By what you sign in beside your password, and whether you have to',
    tag,
    answer: security,
    statuses: [200],
    errors: [],
  }),
  'security.demand': route({
    ...paths['security.demand'],
    summary: 'Demand a second factor of everybody, or of nobody',
    tag,
    body: z.strictObject({ of: z.enum(demandedOf) }),
    answer: security,
    statuses: [200],
    errors: ['second-factor-own-first'],
  }),
  'codes.begin': route({
    ...paths['codes.begin'],
    summary: 'Begin with time-based codes (RFC 6238): what an app for them is told',
    tag,
    body: confirmed,
    answer: codesBegun,
    statuses: [200],
    errors: [...confirmErrors, 'codes-set-up'],
  }),
  'codes.confirm': route({
    ...paths['codes.confirm'],
    summary: 'Have codes asked for at each sign-in from now on, by the first one that the app shows',
    tag,
    body: z.strictObject({ code: signInCode }),
    answer: factorAdded,
    statuses: [200],
    errors: ['wrong-code', 'codes-not-begun', 'too-many-attempts'],
  }),
  'codes.remove': route({
    ...paths['codes.remove'],
    summary: 'Have no time-based codes asked for any more',
    tag,
    body: confirmed,
    answer: security,
    statuses: [200],
    errors: [...confirmErrors, 'second-factor-demanded'],
  }),
  'recoveryCodes.create': route({
    ...paths['recoveryCodes.create'],
    summary: 'New recovery codes in place of all that there were',
    tag,
    body: confirmed,
    answer: recoveryCodes,
    statuses: [201],
    location: () => pathOf('security.read'),
    errors: [...confirmErrors, 'no-second-factor'],
  }),
  'passkeys.begin': route({
    ...paths['passkeys.begin'],
    summary: 'Begin with a passkey: what the browser is asked to make',
    tag,
    body: confirmed,
    answer: passkeyToMake,
    statuses: [200],
    errors: [...confirmErrors, 'passkeys-impossible', 'too-many-passkeys'],
  }),
  'passkeys.create': route({
    ...paths['passkeys.create'],
    summary: 'Keep a passkey that the browser has made',
    tag,
    body: z.strictObject({ name: passkeyName, passkey: passkeyMade }),
    answer: factorAdded,
    statuses: [201],
    location: () => pathOf('security.read'),
    errors: ['passkey-refused', 'passkey-known', 'passkeys-impossible', 'too-many-passkeys'],
  }),
  'passkeys.remove': route({
    ...paths['passkeys.remove'],
    summary: 'Forget a passkey',
    tag,
    params: z.object({ passkey: publicId }),
    body: confirmed,
    answer: security,
    statuses: [200],
    errors: [...confirmErrors, 'not-found', 'second-factor-demanded'],
  }),
  'session.ask': route({
    ...paths['session.ask'],
    summary: 'Begin to sign in with a passkey: what the browser is asked for',
    tag: 'Signing in',
    readOnly: true,
    answer: passkeyToUse,
    statuses: [200],
    errors: ['passkeys-impossible', 'too-many-attempts'],
  }),
  'session.passkey': route({
    ...paths['session.passkey'],
    summary: 'Sign in with a passkey',
    tag: 'Signing in',
    body: z.strictObject({ passkey: passkeyUsed }),
    answer: session,
    statuses: [200],
    errors: ['passkey-refused', 'too-many-attempts'],
  }),
  'people.takeFactors': route({
    ...paths['people.takeFactors'],
    summary:
      'Take away the passkeys and codes of somebody who lost them; they are signed out everywhere, and sign in with their password alone',
    tag: 'People',
    params: z.object({ person: publicId }),
    answer: factorsTaken,
    statuses: [200],
    errors: ['not-found'],
  }),
};
