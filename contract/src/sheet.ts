import { shouldBe } from './misfit.ts';
import { z } from './zod.ts';
import {
  allOptions,
  canCompile,
  keptThings,
  kinds,
  roles,
  settingPlaces,
  settings,
  settingTargets,
  timeFormats,
  type Sheet,
  type SheetSetting,
  type SheetSettings,
  type SheetOption,
  type SheetSettingTypes,
  optionNames,
  ownOptions,
} from '@orbis/core';
import { patternProblem, sheetHost } from './sheet-patterns.ts';

const name = z.string().min(1).max(80);
const place = {
  in: z.enum(settingPlaces),
  name: name.meta({
    description:
      'Of the parameter or attribute; in a path, of the group in the frames’ patterns; in JSON and options, of the member, with dots from the outside in',
  }),
  of: z
    .enum(settingTargets)
    .optional()
    .meta({ description: 'Whose address or attribute: the frame’s where nothing is said' }),
  piece: z
    .string()
    .regex(
      /^[^/?#{}]*\{value\}[^/?#{}]*$/,
      shouldBe('a step of a path with {value} in it, such as skin-{value}'),
    )
    .optional()
    .meta({ description: 'In a path: a step of its own, such as skin-{value}' }),
  attribute: name.optional().meta({ description: 'In JSON: the attribute that holds it' }),
  call: z
    .string()
    .regex(/^[A-Za-z_$][\w$]*(?:\.[A-Za-z_$][\w$]*)*$/, shouldBe('a name such as shop.show'))
    .optional()
    .meta({ description: 'In an option: what is called with the object, or what it is assigned to' }),
  companions: z
    .array(z.strictObject({ name, value: z.string().max(200) }))
    .optional()
    .meta({ description: 'What else it needs beside it; {id} stands for the item’s own id' }),
  permission: name.optional().meta({ description: 'A permission that the frame needs for it, in “allow”' }),
  excludes: z
    .array(name)
    .optional()
    .meta({ description: 'Other settings that this one shuts out, where it is more than “off”' }),
  note: z.string().max(300).optional(),
};
const timeSetting = z.strictObject({
  ...place,
  format: z.enum(timeFormats),
  span: z
    .enum(['start', 'end'])
    .optional()
    .meta({ description: 'Start and end share one parameter, as in t=112,184: which of them this is' }),
});
const switchValue = z.union([z.string(), z.boolean(), z.null()]).meta({
  description:
    'written so; true: standing alone; null: not there; in JSON and options true and false are themselves',
});
const switchSetting = z.strictObject({ ...place, on: switchValue, off: switchValue });
const numberSetting = z.strictObject({
  ...place,
  least: z.number().optional(),
  most: z.number().optional(),
  whole: z.boolean().optional(),
});
const choiceSetting = z.strictObject({ ...place, choices: z.record(z.string(), z.string()) });
const colourSetting = z.strictObject({ ...place, format: z.enum(['#rrggbb', 'rrggbb']) });
const textSetting = z.strictObject({ ...place, most: z.number().int().min(1).optional() });
const coordinatesSetting = z.strictObject({
  ...place,
  longitude: name
    .optional()
    .meta({ description: 'The parameter of the longitude, where it has one of its own' }),
});
const plainSetting = z.strictObject(place);
const listSetting = z.strictObject({
  ...place,
  most: z.number().int().min(1).max(50).optional(),
  joint: z
    .string()
    .min(1)
    .max(3)
    .optional()
    .meta({ description: 'What stands between two items: a comma where nothing is said' }),
});
/* What a sheet says of a setting, by the setting’s type. */
const ruleSchemas = {
  time: timeSetting,
  switch: switchSetting,
  number: numberSetting,
  choice: choiceSetting,
  colour: colourSetting,
  text: textSetting,
  coordinates: coordinatesSetting,
  length: plainSetting,
  address: plainSetting,
  picture: plainSetting,
  list: listSetting,
} satisfies Record<keyof SheetSettingTypes, z.ZodType<SheetSetting>>;
/* A sheet can say where each setting goes that providers have words for. */
const settingsOfSheet = z.strictObject(
  Object.fromEntries(
    allOptions.flatMap(({ name, type, words }) =>
      words ? [[name, ruleSchemas[type.name as keyof SheetSettingTypes].optional()]] : [],
    ),
  ),
) as unknown as z.ZodType<SheetSettings>;
const ownWords = {
  label: z.string().trim().min(1).max(40).meta({ description: 'A word or two, as the label of a field' }),
  explain: z.string().trim().min(1).max(300).meta({ description: 'One sentence for owners' }),
  example: z.string().min(1).max(200).meta({ description: 'A value as people type it' }),
};
const labels = z
  .record(z.string(), z.string().trim().min(1).max(40))
  .optional()
  .meta({ description: 'What the words of the choice are called' });
/* What a sheet says of an option that it declares itself: its type, its words, where it
   goes and what narrows it. */
const ownOptionSchema = z.discriminatedUnion(
  'type',
  Object.entries(ruleSchemas).map(([type, rule]) =>
    rule.extend({ type: z.literal(type), ...ownWords, ...(type === 'choice' && { labels }) }),
  ) as never,
) as unknown as z.ZodType<SheetOption>;
const ownOptionName = z
  .string()
  .regex(/^[a-z][a-z0-9]*(?:-[a-z0-9]+)*$/, shouldBe('lower-case letters, digits and hyphens'))
  .max(40);
const patternPart = (part: 'hostname' | 'pathname' | 'search') =>
  z
    .string()
    .min(1)
    .superRefine((text, context) => {
      const message = patternProblem(text, part);
      if (message !== null) context.addIssue({ code: 'custom', message });
    });
const pattern = z
  .strictObject({
    hostname: patternPart('hostname'),
    pathname: patternPart('pathname'),
    search: patternPart('search').optional(),
  })
  .refine(
    canCompile,
    'this is no URL pattern: see that its brackets and braces are closed, and that no name is there twice',
  );
const whole = z.number().int().min(1).max(20_000);
const needNames = ['scripts', 'forms', 'popups', 'storage', 'autoplay', 'fullscreen'] as const;
const sentence = z.string().min(1).max(500);

/** The schema of a provider sheet's file (JSON). */
export const sheetSchema = z
  .strictObject({
    id: z
      .string()
      .regex(/^[a-z0-9]+(?:-[a-z0-9]+)*$/, shouldBe('lower-case letters, digits and hyphens'))
      .max(60),
    name: z.string().trim().min(1).max(80),
    version: z.number().int().min(1),
    kind: z.enum(kinds),
    hosts: z.array(sheetHost),
    links: z.array(pattern),
    frames: z.array(pattern),
    loaders: z
      .array(pattern)
      .optional()
      .meta({ description: 'The addresses of its scripts, where its codes are an element and a script' }),
    mounts: z
      .array(z.strictObject({ element: name.optional(), class: name.optional(), attribute: name.optional() }))
      .optional()
      .meta({ description: 'The elements that its script fills' }),
    code: z.union([
      z.strictObject({
        element: z.enum(['iframe', 'video', 'audio', 'img']).optional(),
        address: z.string().min(1),
        width: whole.optional(),
        height: whole.optional(),
        title: z.string().min(1),
        allow: z.array(z.string()),
        attributes: z.record(name, z.string().max(200)).optional(),
      }),
      z.strictObject({
        parts: z.array(z.strictObject({ role: z.enum(roles), html: z.string().min(1) })).min(1),
      }),
    ]),
    shape: z.strictObject({ width: whole, height: whole }).optional(),
    height: whole.optional(),
    privacyHost: z
      .strictObject({ host: sheetHost, instead: sheetHost })
      .optional()
      .meta({ description: 'The host that keeps nothing in visitors’ browsers, and the one it stands for' }),
    linkTime: z
      .strictObject({
        in: z.enum(['query', 'fragment']),
        name: z.string().min(1),
        format: z.enum(timeFormats),
      })
      .optional(),
    settings: settingsOfSheet,
    options: z.record(ownOptionName, ownOptionSchema).optional().meta({
      description:
        'Options that only this provider has, by names of its own: a layout, what is counted, the words of a button',
    }),
    needs: z.strictObject(
      Object.fromEntries(needNames.map((need) => [need, z.boolean().optional()])) as Record<
        (typeof needNames)[number],
        z.ZodOptional<z.ZodBoolean>
      >,
    ),
    why: z
      .strictObject(
        Object.fromEntries(needNames.map((need) => [need, sentence.optional()])) as Record<
          (typeof needNames)[number],
          z.ZodOptional<z.ZodString>
        >,
      )
      .optional()
      .meta({ description: 'Why it needs that, in a sentence each' }),
    files: z
      .array(
        z
          .string()
          .regex(
            /^[a-z0-9]{1,8}$/,
            shouldBe('the ending of a file’s name, in lower case and without the dot'),
          ),
      )
      .optional()
      .meta({ description: 'It is for files on anybody’s host: the endings of their names' }),
    pages: z
      .boolean()
      .optional()
      .meta({ description: 'It is for pages of any site, where nothing else is known of a link' }),
    tracks: z
      .array(name)
      .optional()
      .meta({ description: 'Parameters that only follow people and change nothing of what is shown' }),
    oembed: z
      .strictObject({
        endpoint: z.string().min(1).max(500),
        formats: z.array(z.enum(['json', 'xml'])).optional(),
      })
      .optional()
      .meta({
        description:
          'Where it answers questions about its links (oEmbed 1.0); an RFC 6570 template over scheme and port',
      }),
    direct: z.string().min(1).max(500).optional().meta({
      description: 'Where people can see the item itself; an RFC 6570 template as that of the code',
    }),
    keeps: z
      .array(
        z.strictObject({
          what: z.enum(keptThings),
          at: z.string().min(1).max(500),
          instant: z.boolean().optional(),
        }),
      )
      .max(8)
      .optional()
      .meta({
        description:
          'Where its owner finds what it keeps of an item: how it is set, what visitors chose, what they sent, how often it was seen; RFC 6570 templates as that of the code. “instant”: what is changed there shows without a new code',
      }),
    tellsTime: z
      .strictObject({ member: name, format: z.enum(['seconds', 'milliseconds']) })
      .optional()
      .meta({
        description:
          'How its player tells its time: where in the messages that it posts to the page around it the time stands, with dots from the outside in',
      }),
    tellsHeight: z.strictObject({ member: name }).optional().meta({
      description:
        'How its frame tells how high it is: where in the messages that it posts to the page around it the height in px stands, with dots from the outside in',
    }),
    about: z
      .strictObject({ limits: sentence.optional(), terms: sentence.optional(), costs: sentence.optional() })
      .optional()
      .meta({ description: 'Worth knowing before one relies on it' }),
    answers: z
      .strictObject({
        scheme: z.enum(['http', 'https']),
        port: z.number().int().min(1).max(65_535).optional(),
      })
      .optional()
      .meta({
        description: 'Where it answers when no link says it; https on the usual port where nothing is said',
      }),
  })
  .superRefine((sheet, context) => {
    const missing: Missing = (path, message) => context.addIssue({ code: 'custom', path, message });
    if (sheet.hosts.length === 0 && !sheet.files && !sheet.pages)
      missing(['hosts'], 'at least one host, unless the sheet is for files or pages of anybody’s');
    checkRules(sheet, missing);
    checkOwnOptions(sheet, missing);
  })
  .meta({ id: 'ProviderSheet' }) satisfies z.ZodType<Sheet>;

/* Says what a sheet does not say, or says of nothing, at its place. */
type Missing = (path: string[], message: string) => void;

function checkRules(sheet: Sheet, missing: Missing): void {
  const own = Object.entries(sheet.options ?? {});
  const names = [...settings.map(({ name }) => name), ...own.map(([name]) => name)];
  const check = (member: string, name: string, rule: SheetSetting): void => {
    for (const other of rule.excludes ?? [])
      if (!names.includes(other)) missing([member, name, 'excludes'], `there is no setting “${other}”`);
    const problem = problemOfPlace(rule, sheet);
    if (problem) missing([member, name, ...problem.at], problem.message);
  };
  for (const [name, rule] of Object.entries(sheet.settings)) check('settings', name, rule);
  for (const [name, rule] of own) check('options', name, rule);
}

function problemOfPlace(rule: SheetSetting, { frames }: Sheet): { at: string[]; message: string } | null {
  if (rule.in === 'json' && rule.attribute === undefined)
    return { at: [], message: 'in JSON, say in “attribute” which attribute holds it' };
  if (rule.in === 'option' && rule.call === undefined)
    return { at: [], message: 'in an option, say in “call” what is called with the object' };
  if (rule.in !== 'path' || rule.piece !== undefined) return null;
  if (frames.some(({ pathname }) => pathname.split('/').includes(`:${rule.name}`))) return null;
  return {
    at: ['name'],
    message: 'in a path, name a group that is a whole step of a frame’s pattern, or give a “piece”',
  };
}

function checkOwnOptions(sheet: Sheet, missing: Missing): void {
  for (const { name, type, example, own } of ownOptions(sheet)) {
    if (optionNames.includes(name))
      missing(
        ['options', name],
        `Orbis has an option “${name}” for all providers: say in “settings” where it goes, or call this one otherwise`,
      );
    if (!type.parse(example).ok) missing(['options', name, 'example'], `“${example}” is no value of it`);
    for (const word of Object.keys(own?.labels ?? {}))
      if (!type.limits.words?.includes(word))
        missing(['options', name, 'labels', word], `“${word}” is none of its choices`);
  }
}
