import {
  allOptions,
  coordinatesType,
  isHeldPicture,
  kinds,
  longestByHand,
  longestItem,
  parameterOf,
  parseHeights,
  type KindDefaults,
  type OptionType,
  type Options,
  type TypeName,
} from '@orbis/core';
import { optionWords } from '../language/index.ts';
import { shouldBe } from '../misfit.ts';
import { z } from '../zod.ts';

type Schema = z.ZodType;

/* One schema a type: by it every option crosses the wire. */
const schemas: Record<TypeName, (type: OptionType) => Schema> = {
  time: () => z.number().min(0).lt(360_000).meta({ description: 'Seconds, at most to the millisecond' }),
  switch: () => z.boolean(),
  number: ({ limits: { least = -Infinity, most = Infinity, whole = false } }) =>
    (whole ? z.number().int() : z.number()).min(least).max(most),
  choice: ({ limits: { words } }) => (words ? z.enum(words as [string, ...string[]]) : line(40)),
  colour: () => z.string().regex(/^#[0-9a-f]{6}$/, shouldBe('a colour as #rrggbb, in lower case')),
  text: ({ limits: { length = 200 } }) => line(length),
  coordinates: () =>
    z.strictObject({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) }),
  ratio: () => z.strictObject({ width: side, height: side }),
  length: () =>
    z
      .string()
      .regex(
        /^\d{1,5}(?:\.\d{1,3})?(?:px|em|rem|ch|vw|vh|%)$/,
        shouldBe('a length with its unit, such as 12px'),
      ),
  address: () => webAddress,
  picture: ({ limits: { held = false } }) => (held ? z.union([webAddress, heldPicture]) : webAddress),
  heights: () =>
    z
      .string()
      .max(200)
      .refine((text) => parseHeights(text) !== null, shouldBe('heights at widths, such as 320:872, 800:392'))
      .meta({ description: 'Widths and heights in px, and the day on which they were measured' }),
  list: ({ limits: { items = 50 } }) => z.array(line(longestItem)).min(1).max(items),
};
const line = (most: number): Schema => z.string().min(1).max(most);
const webAddress = z.url({ protocol: /^https?$/ }).max(2000);
const heldPicture = z
  .string()
  .max(1500)
  .refine(isHeldPicture, shouldBe('the address of a picture, or a small one as data:image/webp;base64,…'));
const side = z.number().int().min(1).max(99_999);

/** The schema of an option’s value in canonical units. */
export const valueSchema = (type: OptionType): Schema => schemas[type.name](type);

const known = Object.fromEntries(
  allOptions.map(({ name, type }) => [
    name,
    valueSchema(type)
      .optional()
      .meta({ description: optionWords(name).explain }),
  ]),
);

const mostOthers = 50;

/* What only a sheet knows has the name that the sheet gives it, also behind that of the sheet: `counts`,
   `tallywren.counts`. */
const ownName = /^(?:[a-z0-9]+(?:-[a-z0-9]+)*\.)?[a-z][a-z0-9]*(?:-[a-z0-9]+)*$/;

/* Values of options that only a sheet knows; whether one fits is seen where the code and its sheet are. */
const ownValue = z.union([
  z.string().max(longestByHand),
  z.number(),
  z.boolean(),
  z.array(line(longestItem)).min(1).max(50),
  valueSchema(coordinatesType as OptionType),
]);

/**
 * What is asked of an embed: values in canonical units by the options’ names. What is
 * not named is not asked for.
 */
export const optionsSchema = z
  .object(known)
  .catchall(ownValue)
  .superRefine((options, context) => {
    const others = Object.entries(options).filter(([name]) => !Object.hasOwn(known, name));
    for (const [name, value] of others) {
      const isHand = parameterOf(name) !== null;
      if (!isHand && (!ownName.test(name) || name.length > 101))
        context.addIssue({ code: 'custom', path: [name], message: `there is no option “${name}”` });
      if (isHand && typeof value !== 'string')
        context.addIssue({ code: 'custom', path: [name], message: 'what is set by hand is a text' });
    }
    if (others.length > mostOthers)
      context.addIssue({
        code: 'custom',
        path: [],
        message: `at most ${mostOthers} parameters are set by hand`,
      });
  })
  .meta({
    id: 'Options',
    description:
      'What is asked of an embed, in canonical units: seconds, px, per cent, degrees. Parameters that are set by hand stand under “parameter.NAME”, what only one provider has under the name that its sheet gives it.',
    example: { 'start': 112, 'end': 184, 'fit': 'shape', 'max-width': 800 },
  }) as unknown as z.ZodType<Options, Options>;

/** What is asked of every embed of a kind, and of all (`any`). */
export const kindDefaults = z.partialRecord(z.enum(['any', ...kinds]), optionsSchema).meta({
  id: 'KindDefaults',
  example: { any: { align: 'centre' }, video: { 'max-width': 720 } },
}) as unknown as z.ZodType<KindDefaults, KindDefaults>;
