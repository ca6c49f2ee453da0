import { count, label, publicId, time } from './common.ts';
import { demandedOf } from './demanded-of.ts';
import { z } from './zod.ts';

/** So many passkeys one person has at most. */
export const mostPasskeys = 20;
/** So many recovery codes are made at once. */
export const recoveryCodeCount = 10;

/** What a passkey is called: the device or the key that has it. */
export const passkeyName = label(80).meta({
  description: 'What it is called: the device or the key that has it',
  example: 'Laptop',
});

/** A key pair by which somebody signs in without a password; its private half never leaves their device. */
export const passkey = z
  .object({
    id: publicId,
    name: z.string(),
    synced: z.boolean().meta({ description: 'Whether other devices of theirs have it too' }),
    createdAt: time,
    lastUsedAt: time.nullable(),
  })
  .meta({ id: 'Passkey' });
export type Passkey = z.infer<typeof passkey>;

/** By what somebody signs in beside their password, and whether they have to. */
export const security = z
  .object({
    demandedOf: z.enum(demandedOf).meta({
      description: 'Of whom a second factor is demanded: what somebody has, beside what they know',
    }),
    codesSince: time.nullable().meta({
      description: 'Since when time-based codes (RFC 6238) are asked for; null where they are not',
    }),
    passkeys: z.array(passkey).max(mostPasskeys),
    passkeysPossible: z.boolean().meta({
      description: 'Whether browsers allow passkeys at the address of the console',
    }),
    recoveryCodes: count.meta({ description: 'How many recovery codes are left' }),
  })
  .meta({ id: 'Security' });
export type Security = z.infer<typeof security>;

const recovery = z
  .array(z.string())
  .max(recoveryCodeCount)
  .meta({ description: 'Recovery codes, each of which holds once; they are shown this once' });

/** New recovery codes; those of before hold no longer. */
export const recoveryCodes = z.object({ codes: recovery }).meta({ id: 'RecoveryCodes' });

/** What setting up a factor answers: recovery codes, where it is the first. */
export const factorAdded = security
  .extend({ recovery: recovery.nullable().meta({ description: 'Null where there are some already' }) })
  .meta({ id: 'FactorAdded' });
export type FactorAdded = z.infer<typeof factorAdded>;

/** What an app for time-based codes is told; it holds once a code of it was given. */
export const codesBegun = z
  .object({
    secret: z.string().meta({ description: 'In Base32 (RFC 4648), to be typed' }),
    address: z.string().meta({ description: 'The same with all else, as an otpauth address to be scanned' }),
  })
  .meta({ id: 'CodesBegun' });

/** A code of six digits, or a recovery code, as it was typed. */
export const signInCode = z
  .string()
  .trim()
  .min(1)
  .max(40)
  .meta({ description: 'A code of an app (six digits), or a recovery code', example: '492039' });

/**
 * What a browser is asked with, or answers with, about a passkey: the JSON forms of Web Authentication,
 * Level 3, section 5.1.
 */
const webAuthn = (name: string) =>
  z.looseObject({}).meta({ id: name, description: `${name} of Web Authentication, Level 3, section 5.1` });
export const passkeyToMake = webAuthn('PublicKeyCredentialCreationOptionsJSON');
export const passkeyToUse = webAuthn('PublicKeyCredentialRequestOptionsJSON');
export const passkeyMade = webAuthn('RegistrationResponseJSON');
export const passkeyUsed = webAuthn('AuthenticationResponseJSON');

/** How many factors of somebody were taken away. */
export const factorsTaken = z
  .object({ passkeys: count, codes: z.boolean(), sessions: count })
  .meta({ id: 'FactorsTaken' });
