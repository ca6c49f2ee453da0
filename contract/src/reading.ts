import { z } from './zod.ts';
import { optionsSchema } from './options/schema.ts';
import { inputs, kinds, lengthUnits, roles, uses, type Reading as CoreReading } from '@orbis/core';

const offset = z.number().int().min(0).meta({ description: 'UTF-16 code units into the text that was read' });
export const level = z.enum(['error', 'warning', 'note']);
const fact = z.union([z.string(), z.number(), z.boolean(), z.null()]);
const length = z.object({ value: z.number(), unit: z.enum(lengthUnits) });
const size = z.object({ width: length.nullable(), height: length.nullable(), ratio: z.number().nullable() });

const mend = z.object({ start: offset, end: offset, text: z.string(), reason: z.string() });

export const finding = z
  .object({
    rule: z.string(),
    level,
    start: offset,
    end: offset,
    line: z.number().int(),
    column: z.number().int(),
    facts: z.record(z.string(), fact),
    mend: z
      .array(mend)
      .readonly()
      .meta({ description: 'The edits that would mend it; none where only the owner can' }),
    message: z.string(),
    remedy: z.string(),
  })
  .meta({ id: 'Finding' });
export type Finding = z.infer<typeof finding>;

/** The shape of a reading: what Orbis understood of a pasted text. */
export const reading = z
  .object({
    input: z.enum(inputs),
    kind: z.enum(kinds),
    kindBecause: z.string(),
    provider: z.object({ id: z.string(), name: z.string() }).nullable(),
    sheet: z.object({ id: z.string(), version: z.number().int() }).nullable(),
    embeds: z.array(
      z.object({
        kind: z.enum(kinds),
        provider: z.string().nullable(),
        parts: z.array(z.number().int()),
        size,
      }),
    ),
    parts: z.array(
      z.object({
        role: z.enum(roles),
        place: z.enum(['head', 'body']),
        repeat: z.enum(['page', 'placement']),
        start: offset,
        end: offset,
        inside: z.number().int().nullable(),
        of: z.array(z.number().int()),
      }),
    ),
    size,
    addresses: z.array(
      z.object({
        use: z.enum(uses),
        part: z.number().int(),
        start: offset,
        end: offset,
        url: z.string(),
        parameters: z.array(
          z.object({ name: z.string(), value: z.string().nullable(), in: z.enum(['query', 'fragment']) }),
        ),
      }),
    ),
    hosts: z.array(
      z.object({ host: z.string(), uses: z.array(z.enum(uses)), when: z.enum(['load', 'use']) }),
    ),
    needs: z.object({
      scripts: z.boolean(),
      forms: z.boolean(),
      popups: z.boolean(),
      storage: z.boolean(),
      autoplay: z.boolean(),
      fullscreen: z.boolean(),
    }),
    claims: z.array(
      z.object({
        what: z.enum(['id', 'field', 'global', 'listener', 'style']),
        name: z.string(),
        shared: z.boolean(),
      }),
    ),
    findings: z.array(finding),
    evidence: z.array(z.object({ kind: z.enum(kinds), weight: z.number(), reason: z.string() })),
    mending: z
      .object({
        what: z.enum(['visible-code', 'curly-quotes', 'odd-blanks', 'open-tag']),
        edits: z.array(mend),
        text: z.string(),
      })
      .nullable(),
    generated: z.string().nullable(),
    asked: optionsSchema.meta({ description: 'What a link asks for beside the item: its time to start at' }),
    mark: z.string().nullable(),
  })
  .meta({ id: 'Reading' });
export type Reading = z.infer<typeof reading>;

/* The schema and the core's type are one shape, but for what is told in words; held by the
   compiler in both directions. */
type Words = 'findings' | 'kindBecause' | 'kindReasons' | 'evidence' | 'mending';
type Bare = Omit<Reading, Words>;
type CoreBare = Omit<CoreReading, Words>;
export const sameShape: [Bare extends CoreBare ? true : never, CoreBare extends Bare ? true : never] = [
  true,
  true,
];

const text = z.string().meta({ description: 'What was pasted: a code, a link, or anything else' });
/** Which faults are to be mended: all that are more than a note, or those of the rules that are named. */
export const mendChoice = z
  .union([z.boolean(), z.array(z.string().max(40)).max(60)])
  .default(false)
  .meta({
    description:
      'Whether faults are mended: all that are more than a note, or those of the rules that are named. What was pasted is kept all the same.',
  });
export const readingsBody = z.union([
  z.strictObject({ text, mend: mendChoice }),
  z.strictObject({ texts: z.array(text).min(1).max(200), mend: mendChoice }),
]);
export const readingsAnswer = z.object({
  items: z.array(reading).meta({ description: 'With “mend”, the readings of the mended texts' }),
  mended: z
    .array(z.object({ text: z.string(), done: z.array(z.object({ rule: z.string(), reason: z.string() })) }))
    .meta({ description: 'With “mend”, each text as it was mended, and what was done; empty without' }),
});
