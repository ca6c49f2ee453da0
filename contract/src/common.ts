import { characterCount, shouldBe } from './misfit.ts';
import { z } from './zod.ts';

/** Lower-case letters, digits and hyphens, as made from a name. */
export const key = z
  .string()
  .regex(
    /^[a-z0-9]+(?:-[a-z0-9]+)*$/,
    shouldBe('lower-case letters and digits, with single hyphens between them'),
  )
  .max(80)
  .meta({ description: 'A key, made from a name; it never changes.', example: 'opening-talk' });

export const time = z.iso
  .datetime({ precision: 3 })
  .meta({ description: 'RFC 3339 in UTC with milliseconds', example: '2026-11-23T09:30:00.000Z' });

/** A text that people read: no control characters, and blanks around it do not count. */
export const label = (most: number) =>
  z
    .string()
    .trim()
    .min(1)
    .check(atMost(most))
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, shouldBe('without control characters'))
    .meta({ maxLength: most });

/* Characters as people count them, and JSON Schema does: not UTF-16 code units. */
const atMost =
  (most: number): z.core.CheckFn<string> =>
  (payload) => {
    if (characterCount(payload.value) > most)
      payload.issues.push({ code: 'too_big', origin: 'string', maximum: most, input: payload.value });
  };

/** A colour of CSS, in the one way in which the interface takes it. */
export const hexColour = z
  .string()
  .regex(/^#[0-9a-f]{6}$/, shouldBe('a colour as #rrggbb, in lower case'))
  .meta({ example: '#1f4e5f' });

export const tag = label(40).meta({ example: 'talks' });

/**
 * A keyset page of a list: `next` is what to give as `after` for the page that follows, or null at the end.
 */
export const pageOf = <T extends z.ZodType>(item: T) =>
  z.object({ items: z.array(item), next: z.string().nullable() });

export const listQuery = z.strictObject({
  limit: z.coerce.number().int().min(1).max(200).default(50),
  after: z
    .string()
    .regex(/^\d{1,15}$/, shouldBe('the “next” of the page before'))
    .optional(),
});

export const publicId = z
  .string()
  .regex(/^[0-9a-hjkmnp-tv-z]{10}$/, shouldBe('ten lower-case letters and digits, as ids are'));

/** An error answer (RFC 9457). */
export const problem = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    code: z.string(),
    detail: z.string(),
    instance: z.string().optional(),
    errors: z
      .array(
        z.object({
          pointer: z
            .string()
            .optional()
            .meta({ description: 'A place in the body of the request (RFC 6901): /options/zoom' }),
          parameter: z.string().optional().meta({ description: 'A parameter of the address' }),
          embed: z.string().optional().meta({ description: 'The key of the embed that it is about' }),
          detail: z.string(),
        }),
      )
      .optional()
      .meta({ description: 'Each thing that the error is about' }),
    facts: z.record(z.string(), z.union([z.string(), z.number(), z.boolean(), z.null()])).optional(),
  })
  .meta({ id: 'Problem', description: 'RFC 9457 problem document' });
export type Problem = z.infer<typeof problem>;

/** How many there are of something. */
export const count = z.number().int().min(0);
/** The facts that a sentence is made of. */
export const factRecord = z.record(z.string(), z.union([z.string(), z.number(), z.boolean(), z.null()]));
