import { kinds } from '@orbis/core';
import { count, factRecord, key, pageOf, publicId, time } from './common.ts';
import { complaintCodes, lookWidths } from './look-widths.ts';
import { pageKey, spotKey } from './place.ts';
import { level } from './reading.ts';
import { z } from './zod.ts';

const load = z.object({
  requests: count,
  bytes: count.meta({ description: 'What came in, with headers; of what had not ended, nothing' }),
});
const hosts = z.array(z.string());

/** Where something is in the picture of a page, in px of CSS. */
const seenBox = z.object({
  left: z.number().int(),
  top: z.number().int(),
  width: count,
  height: count,
});

const atWidth = z.object({
  width: z.literal(lookWidths),
  box: seenBox.nullable().meta({ description: 'Null where nothing of it has any size' }),
  shows: z.boolean().nullable().meta({
    description: 'Whether anything is to be seen there; null where that is below the picture',
  }),
  moved: z.number().meta({
    description:
      'How far it moved what visitors see, by growing or shrinking (Layout Instability, section 2.3); 0 is best',
  }),
});

/** What a browser saw of something placed. */
const seenPlaced = z.object({
  placement: publicId,
  embed: key,
  embedName: z.string(),
  kind: z.enum(kinds),
  place: spotKey,
  clip: z
    .object({ start: z.number().nullable(), end: z.number().nullable() })
    .meta({ description: 'The part of its film that is asked for, in seconds; null for what is not said' }),
  isThere: z.boolean().meta({ description: 'Whether it stands on the page at all' }),
  waits: z.boolean().meta({ description: 'Whether it waits for a click or for consent' }),
  widths: z.array(atWidth),
  before: load.extend({ hosts }).meta({ description: 'What it loaded before anybody clicked or allowed it' }),
  after: load.extend({ hosts }).meta({ description: 'What it loaded behind that' }),
  playing: z
    .object({
      began: z.enum(['by-itself', 'pressed', 'never']),
      from: z.number().nullable().meta({ description: 'Where it began, in seconds' }),
      stops: z
        .boolean()
        .nullable()
        .meta({ description: 'Whether it stopped where it was asked to; null where nothing is asked' }),
      length: z
        .number()
        .nullable()
        .default(null)
        .meta({ description: 'How long it is, in seconds; null where that is not known' }),
    })
    .nullable()
    .meta({ description: 'What became of its film or sound; null where it has none' }),
  sent: z
    .object({
      isSent: z.boolean(),
      host: z.string().nullable(),
      method: z.string().nullable(),
      fields: z.array(z.string()),
    })
    .nullable()
    .meta({
      description: 'What its form sent, to a stand-in; null where it has none, or nobody told Orbis to',
    }),
});

/** The same with what is wrong about it, in words. */
export const judgedPlaced = seenPlaced
  .extend({
    findings: z.array(
      z.object({ rule: z.string(), level, facts: factRecord, message: z.string(), remedy: z.string() }),
    ),
  })
  .meta({ id: 'JudgedPlaced' });

export type JudgedPlaced = z.infer<typeof judgedPlaced>;

/** What a page complained of. */
export const complaint = z
  .object({
    code: z.enum(complaintCodes),
    host: z.string(),
    facts: factRecord,
    message: z.string(),
    times: count,
  })
  .meta({ id: 'Complaint' });

/** What a browser saw of a published page, with pictures. */
export const look = z
  .object({
    id: publicId,
    page: pageKey,
    url: z.string().meta({ description: 'Where it was looked at' }),
    at: time,
    widths: z.array(
      z.object({
        width: z.literal(lookWidths),
        height: count.meta({ description: 'Of the picture, in px of CSS' }),
        moved: z.number().meta({ description: 'How far anything moved what visitors see' }),
        over: count.meta({ description: 'How far the page is wider than its window, in px' }),
      }),
    ),
    placed: z.array(judgedPlaced),
    hosts: z
      .array(
        z.object({
          host: z.string(),
          isOwn: z.boolean().meta({ description: 'Whether it is the page’s own' }),
          before: load,
          after: load,
        }),
      )
      .meta({ description: 'What was loaded by host, at the widest window; the heaviest first' }),
    complaints: z.array(complaint),
    hasPopUp: z.boolean().meta({ description: 'Whether a pop-up came up, of which there is a picture' }),
  })
  .meta({ id: 'Look' });
export type Look = z.infer<typeof look>;

/** How much a page loads from others, as it was when somebody last looked at it. */
export const pageWeight = z.object({
  look: publicId,
  page: pageKey,
  title: z.string(),
  at: time,
  requests: count.meta({ description: 'To others than the page’s own host' }),
  bytes: count.meta({ description: 'What came in from them, with headers' }),
  hosts: count,
});
export type PageWeight = z.infer<typeof pageWeight>;

/** The pages that load most from others, the heaviest first. */
export const pageWeights = z.object({ items: z.array(pageWeight) }).meta({ id: 'PageWeights' });

export const looks = pageOf(look).meta({ id: 'LookPage' });

/** Which picture of a look is meant: by the width of its window, or that of the pop-up. */
export const lookPictures = ['390', '768', '1280', 'popup'] as const;
export const lookPicture = z.enum(lookPictures);
export type LookPicture = (typeof lookPictures)[number];
