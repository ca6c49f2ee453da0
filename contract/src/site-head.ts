import { onceKinds } from '@orbis/core';
import { count, pageOf, time } from './common.ts';
import { mostWaiting } from './counting.ts';
import { pageKey, siteKey } from './place.ts';
import { z } from './zod.ts';

/** The digest of a text that pages need once, as it stands in the answer of `heads.read`. */
export const headDigest = z
  .string()
  .regex(/^[0-9a-f]{64}$/)
  .meta({ description: 'The digest of a text (SHA-256)' });

/** What is done with a text in the head of a whole site; `offered` is what is not wanted there yet. */
export const headActions = ['paste', 'already-there', 'take-out', 'wait', 'offered'] as const;
export type HeadAction = (typeof headActions)[number];

export const headThing = z
  .object({
    digest: headDigest,
    what: z.enum(onceKinds).meta({
      description:
        'What a code brings, our script that shows what waits, our script that makes frames as high as what is in them, or what the editor needs',
    }),
    name: z.string().meta({ description: 'The address that it loads; empty where it loads nothing' }),
    text: z.string(),
    kept: z.boolean().meta({ description: 'Whether it is wanted once in the head of the whole site' }),
    recommended: z
      .boolean()
      .meta({ description: 'Whether it would spare work there: more than a few pages need it' }),
    action: z.enum(headActions).meta({
      description: 'What is to be done; `wait` where pages still carry codes that rest on it',
    }),
    pages: count.meta({ description: 'How many pages need it' }),
    unneededSince: time.nullable().meta({ description: 'Since when no page needs it' }),
    resting: count.meta({
      description: 'Of what is not wanted there any more: how many pages still carry codes that rest on it',
    }),
    seen: z
      .object({ stands: z.boolean(), on: pageKey.nullable(), since: time })
      .nullable()
      .meta({ description: 'Whether the page that was read last had it; null where none was' }),
    after: z.array(headDigest).meta({ description: 'What must stand before it, and comes along' }),
  })
  .meta({ id: 'HeadThing' });

/** What the head of a whole site is for: what its pages need once, and what is to be done there. */
export const siteHead = z
  .object({
    site: siteKey,
    things: z.array(headThing).meta({ description: 'What most pages need first' }),
    text: z.string().meta({ description: 'All that belongs there now, in its order' }),
    waiting: count.meta({
      description: `Of how many placements of the register it is still being worked out what their pages need; no more than ${mostWaiting} are counted`,
    }),
    issued: z.object({ number: z.number().int(), at: time }).nullable(),
  })
  .meta({ id: 'SiteHead' });

/** What was handed out for the head of a site. */
export const headDelivery = z
  .object({
    site: siteKey,
    number: z.number().int(),
    text: z.string().meta({ description: 'All that belongs there, in its order' }),
    snippets: z.array(z.object({ digest: headDigest, text: z.string() })),
    issuedAt: time,
  })
  .meta({ id: 'HeadDelivery' });

export const headDeliveries = pageOf(headDelivery).meta({ id: 'HeadDeliveryPage' });

export type HeadThing = z.infer<typeof headThing>;
export type SiteHead = z.infer<typeof siteHead>;
export type HeadDelivery = z.infer<typeof headDelivery>;
