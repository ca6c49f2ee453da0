import { z } from './zod.ts';
import { learnLimits, typeNames, type LearnedLine, type Proposal } from '@orbis/core';
import { sheetSchema } from './sheet.ts';
import { sheetText } from './sheet-file.ts';

const line = z
  .object({
    about: z.string().meta({ description: 'The word by which it is answered' }),
    what: z.enum(['name', 'kind', 'item', 'parameter', 'frame', 'loader', 'mount', 'link', 'shape']),
    seen: z.array(z.string()).meta({ description: 'Values in the samples, the first few' }),
    type: z.enum(typeNames).nullable(),
    looks: z
      .array(z.string())
      .meta({ description: 'Values of a look that are to be answered as ABOUT.VALUE: light or dark' }),
    means: z
      .string()
      .nullable()
      .meta({ description: 'Null where it is not plain; “-” for a parameter that is no setting' }),
    sure: z
      .boolean()
      .meta({ description: 'What is not sure is asked, and left out of the sheet until it is answered' }),
    reason: z.string(),
    may: z.array(z.string()).meta({ description: 'What it could be answered with' }),
  })
  .meta({ id: 'LearnedLine' }) satisfies z.ZodType<Omit<LearnedLine, 'reasons'> & { reason: string }>;
const template = z
  .object({
    pieces: z.array(
      z.object({
        text: z.string().nullable().meta({ description: 'Null for a hole' }),
        spot: z.string(),
        optional: z.boolean(),
      }),
    ),
    samples: z
      .array(z.array(z.string().nullable()))
      .meta({ description: 'For each piece what the sample has there; “” for a constant, null for nothing' }),
  })
  .meta({ id: 'LearnedTemplate' }) satisfies z.ZodType<Proposal['templates']['codes']>;

export const learnSamples = z
  .array(z.string().min(1).max(learnLimits.length))
  .min(1)
  .max(learnLimits.samples)
  .meta({ description: 'Codes and links of one provider, as they were handed out' });

export const sheetProposal = z
  .object({
    text: sheetText,
    sheet: sheetSchema,
    lines: z.array(line),
    open: z.number().int().min(0).meta({ description: 'How many lines are not sure' }),
    codes: template,
    links: template.nullable(),
    samples: z.array(
      z.object({
        text: z.string(),
        is: z.enum(['code', 'link']),
        item: z.string().nullable().meta({ description: 'The id that the sheet finds in it' }),
        from: z
          .string()
          .nullable()
          .meta({ description: 'The link whose provider told this code; null for what was given' }),
      }),
    ),
  })
  .meta({ id: 'SheetProposal' });
export type SheetProposal = z.infer<typeof sheetProposal>;
