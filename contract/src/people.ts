import { count, label, pageOf, publicId, time } from './common.ts';
import { siteKey } from './place.ts';
import { personRoles, siteRoles } from './rights.ts';
import { z } from './zod.ts';

/** What somebody is for everything, and on single sites beside that. */
export const grants = {
  role: z.enum(personRoles).nullable().meta({
    description: 'For everything; null for somebody who has only what is said of single sites',
  }),
  sites: z
    .array(z.strictObject({ site: siteKey, role: z.enum(siteRoles) }))
    .max(200)
    .meta({ description: 'What they are on single sites; the more of both counts there' }),
};

/** What people are called, and sign in by. */
export const personName = label(80).meta({ description: 'What they are called, and sign in by' });

const email = z.email().max(254).nullable().meta({ description: 'Where invitations go by mail' });

export const personStates = ['invited', 'active', 'removed'] as const;

/** Somebody who works with Orbis, as those see them who manage it. */
export const personDetails = z
  .object({
    id: publicId,
    name: z.string(),
    email: z.string().nullable(),
    ...grants,
    state: z.enum(personStates).meta({
      description: 'Whether they have set a password, and whether they were removed since',
    }),
    invitedUntil: time.nullable().meta({
      description: 'Until when a link holds by which they can set a password; null where there is none',
    }),
    invitedBy: z.string().nullable(),
    seenAt: time.nullable().meta({ description: 'When they last did something, to the minute' }),
    secondFactor: z.boolean().meta({ description: 'Whether they have a passkey, or codes of an app' }),
    createdAt: time,
    removedAt: time.nullable(),
  })
  .meta({ id: 'PersonDetails' });
export type PersonDetails = z.infer<typeof personDetails>;

export const people = pageOf(personDetails).meta({ id: 'PeoplePage' });

/** What became of the mail with an invitation. */
export const mailings = ['sent', 'failed', 'no-mail-server', 'no-address'] as const;

const link = {
  link: z.string().meta({ description: 'By which they set their password, once; it is shown this once' }),
  expiresAt: time,
  mailed: z.enum(mailings).meta({ description: 'Whether it went to them by mail' }),
};
export const invited = personDetails.extend(link).meta({ id: 'Invited' });
export const invitedAgain = z.object(link).meta({ id: 'InvitedAgain' });

const days = z.number().int().min(1).max(30).default(7).meta({ description: 'How long the link holds' });

export const newPerson = z.strictObject({
  name: personName,
  email: email.default(null),
  role: grants.role.default(null),
  sites: grants.sites.default([]),
  days,
});
export const changedPerson = z.strictObject({
  name: personName.optional(),
  email: email.optional(),
  role: grants.role.optional(),
  sites: grants.sites.optional(),
});
export const newLink = z.strictObject({ days });

/** Up to so much is counted of what somebody has made. */
export const mostOfPerson = 1000;

const upTo = count.max(mostOfPerson).meta({ description: `Counted up to ${mostOfPerson}` });

/** What of somebody is there, and what becomes of it when they are removed. */
export const personStanding = z
  .object({
    embeds: upTo,
    placements: upTo,
    changes: upTo,
    sessions: count.meta({ description: 'Browsers in which they are signed in; they are signed out' }),
    tokens: count.meta({ description: 'Tokens of theirs that are good; they end' }),
    planLinks: count.meta({ description: 'Links to steps of pages that they shared; they end' }),
  })
  .meta({ id: 'PersonStanding' });
export type PersonStanding = z.infer<typeof personStanding>;

/** What a one-time link is for, as whoever has it is told before they use it. */
export const invitation = z
  .object({
    name: z.string(),
    isNew: z.boolean().meta({ description: 'Whether they never had a password' }),
    by: z.string().nullable().meta({ description: 'Who invited them' }),
    ...grants,
    expiresAt: time,
  })
  .meta({ id: 'Invitation' });
export type Invitation = z.infer<typeof invitation>;
