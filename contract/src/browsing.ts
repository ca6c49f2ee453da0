import { count, factRecord, time } from './common.ts';
import { z } from './zod.ts';

const side = z.number().int().min(1);
const bytes = z.base64().meta({ description: 'Its bytes, as Base64 (RFC 4648, section 4)' });

/** What a browser showed, as a picture. */
export const picture = z
  .object({
    type: z.literal('image/png'),
    width: side.meta({ description: 'In pixels of CSS' }),
    height: side,
    data: bytes,
  })
  .meta({ id: 'Picture' });

/** The types in which a still is offered, the smallest first. */
export const stillTypes = ['image/avif', 'image/webp', 'image/jpeg'] as const;

/** A still picture of what an embed shows, to be put on the owner’s own site or into the code. */
export const still = z
  .object({
    width: side.meta({ description: 'In pixels of the picture' }),
    height: side,
    at: z
      .number()
      .nullable()
      .meta({ description: 'The second of the film at which it was taken; null as it began' }),
    files: z.array(z.object({ type: z.enum(stillTypes), bytes: count, data: bytes })),
    blurred: z
      .string()
      .meta({ description: 'The same, small and blurred, as an address that holds it (RFC 2397)' }),
    notes: z.array(z.string()).meta({ description: 'What could not be had, in words' }),
  })
  .meta({ id: 'Still' });

/** How high an embed is at several widths. */
export const measurement = z
  .object({
    heights: z.array(z.object({ width: side, height: side })),
    unknown: z.string().nullable().meta({ description: 'Why its height cannot be told, in words' }),
    guess: z
      .string()
      .nullable()
      .meta({ description: 'That the height is a guess of its provider’s sheet, and why, in words' }),
    at: time,
  })
  .meta({ id: 'Measurement' });

/** What does not work in what a code loads, as far as asking for it tells. */
export const inquiry = z
  .object({
    asked: count.meta({ description: 'How many addresses were asked' }),
    troubles: z.array(
      z.object({ code: z.string(), address: z.string(), facts: factRecord, message: z.string() }),
    ),
  })
  .meta({ id: 'Inquiry' });

const weight = z
  .object({
    requests: count.meta({ description: 'To hosts of others' }),
    hosts: z.array(z.string()),
    bytes: count.meta({ description: 'What came in over the wire, with headers' }),
    blocked: count.meta({
      description: 'Milliseconds in which the page could not answer: of each task what is over 50',
    }),
    cookies: count,
  })
  .meta({ id: 'Weight' });
const weights = z.object({ loaded: weight, clicked: weight });

/** What a visitor’s browser does for an embed, and for the code as it was pasted. */
export const weighing = z.object({ embed: weights, bare: weights, at: time }).meta({ id: 'Weighing' });

export type Picture = z.infer<typeof picture>;
export type Still = z.infer<typeof still>;
export type StillType = (typeof stillTypes)[number];
export type Measurement = z.infer<typeof measurement>;
export type Weight = z.infer<typeof weight>;
export type Inquiry = z.infer<typeof inquiry>;
export type Weighing = z.infer<typeof weighing>;
