import { count, listQuery, pageOf, publicId, time } from './common.ts';
import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';

/** How an act ended: it was done, or refused. */
export const actOutcomes = ['done', 'refused'] as const;

/**
 * By which way somebody acts: a browser, a token of a program, a link that was shared, or a program that is
 * run on the server’s own machine.
 */
export const actMeans = ['browser', 'token', 'link', 'nothing', 'server'] as const;

/** What is done by programs on the server’s own machine, beside the operations of the interface. */
export const actsAtServer = ['server.resetPassword', 'server.backup'] as const;
export type ActAtServer = (typeof actsAtServer)[number];

const digest = z.string().regex(/^[0-9a-f]{64}$/, shouldBe('a digest of 64 hexadecimal digits'));

/** Something that somebody did or was refused. */
export const auditEntry = z
  .object({
    number: count.nullable().meta({
      description: 'Its number in the chain; null for the moment until it has one',
    }),
    at: time,
    act: z.string().meta({
      description:
        'The operation that was called; behind “server.”, what was done on the server’s own machine',
    }),
    said: z.string().meta({ description: 'What was done, in words' }),
    outcome: z.enum(actOutcomes),
    why: z.string().nullable().meta({ description: 'The code of the error with which it was refused' }),
    thing: z.string().nullable().meta({ description: 'What it was done to, as the call named it' }),
    who: z.string().nullable().meta({ description: 'What whoever did it was called; null for nobody known' }),
    person: publicId.nullable(),
    means: z.enum(actMeans),
    network: z.string().meta({
      description:
        'The part of the network that it came from: an address without its end; nothing for the server itself',
    }),
    times: count.meta({ description: 'How often; what is refused again and again stands once a minute' }),
    before: z.unknown().meta({ description: 'How it was before, where that is known; null for nothing' }),
    after: z.unknown().meta({ description: 'How it is afterwards, where that is known; null for nothing' }),
    withheld: z.boolean().meta({
      description: 'Whether what was said, and how it was, was taken out with an embed that was purged',
    }),
    hash: digest.nullable().meta({ description: 'SHA-256 of the hash before it and of all that it says' }),
  })
  .meta({ id: 'AuditEntry' });
export type AuditEntry = z.infer<typeof auditEntry>;

export const auditPage = pageOf(auditEntry).meta({ id: 'AuditPage' });

/** What the log is searched for. */
export const auditQuery = listQuery.extend({
  person: publicId.optional().meta({ description: 'Only what this person did' }),
  act: z
    .string()
    .regex(/^[a-zA-Z]+(?:\.[a-zA-Z]+)?$/, shouldBe('an operation, or the word before its dot'))
    .optional()
    .meta({ description: 'Only this operation, or all of that name: sites.change, or sites' }),
  thing: z.string().min(1).max(500).optional().meta({ description: 'Only what was done to this' }),
  outcome: z.enum(actOutcomes).optional(),
});

/** A place in the chain that somebody noted elsewhere. */
export const chainHead = z.strictObject({
  number: z.number().int().min(1),
  hash: digest,
});

export const chainFaults = ['changed', 'missing', 'added', 'cut', 'other'] as const;

/** What came of holding the log against its own chain. */
export const auditChecked = z
  .object({
    entries: count.meta({ description: 'How many were looked at' }),
    withheld: count.meta({ description: 'How many of them tell less, as an embed was purged' }),
    first: count.nullable().meta({ description: 'The number of the first that is kept' }),
    head: chainHead.nullable().meta({
      description:
        'The newest place of the chain; noted elsewhere, it shows later whether the end was cut off',
    }),
    broken: z
      .object({
        number: count,
        why: z.enum(chainFaults),
        said: z.string(),
      })
      .nullable()
      .meta({ description: 'Where it is broken first; null where it holds' }),
  })
  .meta({ id: 'AuditChecked' });
export type AuditChecked = z.infer<typeof auditChecked>;
