import { askedValues, editorTakes } from '@orbis/core';
import { time } from './common.ts';
import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';

const name = z
  .string()
  .max(60)
  .regex(/^[a-z][a-z0-9-]*\*?$/, shouldBe('names in lower case, such as iframe or data-*'));

const takenNames = z.strictObject({
  which: z.enum(['these', 'all-but']).meta({ description: 'Whether these are taken out, or all but these' }),
  names: z.array(name).max(200),
});

const line = (most: number) =>
  z
    .string()
    .max(most)
    .regex(/^[^\r\n]*$/, shouldBe('one line'));

/** What a site’s editor lets through, and how one works with it. */
export const editorRules = z
  .strictObject({
    takes: z.enum(editorTakes).meta({ description: 'Whole codes, or links alone' }),
    elements: takenNames.meta({ description: 'Elements that it takes out' }),
    attributes: takenNames.meta({
      description: 'Attributes that it takes out; data-* stands for all that begin so',
    }),
    inlineScripts: z.boolean().meta({ description: 'Whether scripts survive whose text stands in the code' }),
    comments: z.boolean(),
    firstLine: line(200).meta({ description: 'What must stand in a line before a code; empty for nothing' }),
    lastLine: line(200).meta({ description: 'What must stand in a line behind it' }),
    companion: z.string().max(4000).meta({
      description:
        'A code that each page needs once, so that embeds are made of what is pasted; empty for none',
    }),
    asksFor: z
      .array(z.strictObject({ label: line(60).min(1), value: z.enum(askedValues) }))
      .max(6)
      .meta({
        description: 'What it asks for beside a code: its title, your name for it, where its content is',
        example: [{ label: 'Title', value: 'title' }],
      }),
    showsUnpublished: z
      .boolean()
      .nullable()
      .meta({ description: 'Whether it shows embeds before they are published; null where nobody said' }),
    delay: z
      .number()
      .int()
      .min(0)
      .max(1440)
      .meta({ description: 'Minutes until what was published can be seen' }),
    styleField: z.boolean().meta({
      description: 'Whether it has a field for each page that takes style rules, without their element',
    }),
    scriptField: z
      .boolean()
      .meta({ description: 'Whether it has one that takes a script, without its element' }),
    mostHosts: z
      .number()
      .int()
      .min(0)
      .max(1000)
      .nullable()
      .meta({ description: 'How many hosts what is placed on a page may contact; null for any number' }),
    mostScripts: z.number().int().min(0).max(1000).nullable(),
    mostKilobytes: z.number().int().min(0).max(100_000).nullable().meta({
      description: 'How many kB browsers may load for what is placed on a page; null for any number',
    }),
    notes: z.string().max(2000).meta({ description: 'Where to click, in your own words' }),
  })
  .meta({ id: 'EditorRules' });

export const pieceStates = ['kept', 'taken-out', 'shown-as-text', 'made-of-it'] as const;
export const openQuestions = ['first-line', 'head', 'delay', 'shows-unpublished'] as const;

/** What a published specimen shows. */
export const specimenReading = z
  .object({
    page: z.string().meta({ description: 'The page that was read' }),
    rules: editorRules
      .pick({ takes: true, elements: true, attributes: true, inlineScripts: true, comments: true })
      .nullable()
      .meta({ description: 'The rules that it shows; null where all of it is shown as text' }),
    meaning: z.string().meta({ description: 'What that means for codes, in a sentence' }),
    lines: z
      .array(z.string())
      .meta({ description: 'What does not come through as it is, in sentences, several pieces together' }),
    pieces: z.array(
      z.object({
        name: z.string(),
        state: z.enum(pieceStates),
        lost: z.array(z.string()).meta({ description: 'Its attributes that are not there any more' }),
        changed: z.array(z.object({ name: z.string(), now: z.string() })),
      }),
    ),
    open: z.array(z.object({ question: z.enum(openQuestions), said: z.string() })).meta({
      description: 'What it cannot show, and only you can say',
    }),
  })
  .meta({ id: 'SpecimenReading' });

/** A text that is pasted and published once, to see what an editor makes of it. */
export const specimen = z
  .object({
    text: z.string(),
    begins: z.string().meta({ description: 'The first word that visitors read' }),
    last: specimenReading.extend({ at: time }).nullable().meta({
      id: 'LastSpecimenReading',
      description: 'What it showed when it was last read, which the rules rest on; null before that',
    }),
  })
  .meta({ id: 'Specimen' });

export type Specimen = z.infer<typeof specimen>;
export type SpecimenReading = z.infer<typeof specimenReading>;
