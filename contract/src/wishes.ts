import { z } from './zod.ts';
import { dressNamed, dressNames, handName, settingNamed, settingNames, type Dress, type Settings } from '@orbis/core';
import { OrbisError } from './errors.ts';

const seconds = z.number().min(0).lt(360_000).meta({ description: 'Seconds, at most to the millisecond' });

const line = (most: number) => z.string().min(1).max(most);
const whole = (most: number) => z.number().int().min(1).max(most);

/* What ends a parameter's name in an address, and blanks, are left out of it. */
const handNamePattern = /^[^\s&=#?]{1,100}$/;

/** Settings in canonical units. What is not named is not wished. */
export const settingsSchema = z
  .strictObject({
    start: seconds.optional(),
    end: seconds.optional(),
    autoplay: z.boolean().optional(),
    muted: z.boolean().optional(),
    loop: z.boolean().optional(),
    controls: z.boolean().optional(),
    captions: z.boolean().optional(),
    download: z.boolean().optional(),
    language: line(35).optional(),
    theme: z.enum(['light', 'dark']).optional(),
    accent: z
      .string()
      .regex(/^#[0-9a-f]{6}$/, 'a colour as #rrggbb, in lower case')
      .optional(),
    privacy: z.boolean().optional(),
    zoom: z.number().min(0).max(1000).optional(),
    centre: z.strictObject({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) }).optional(),
    view: line(40).optional(),
    page: whole(100_000).optional(),
    account: line(120).optional(),
    count: whole(500).optional(),
    delay: seconds.optional(),
    prefill: line(200).optional(),
    title: line(200).optional(),
    width: whole(9999).optional(),
    height: whole(9999).optional(),
    tracking: z.boolean().optional(),
    parameters: z
      .record(z.string().regex(handNamePattern, 'the name of a parameter'), z.string().max(2000))
      .refine((all) => Object.keys(all).length <= 50, 'at most 50 parameters')
      .optional()
      .meta({ description: 'Parameters by the provider’s own names, set by hand' }),
  })
  .meta({ id: 'Settings', example: { start: 112, end: 184 } }) satisfies z.ZodType<Settings>;

/** Dress in canonical units: px, per cent. */
export const dressSchema = z
  .strictObject({
    'fit': z.literal('shape').optional(),
    'shape': z.strictObject({ width: z.number().int().min(1).max(99_999), height: z.number().int().min(1).max(99_999) }).optional(),
    'max-width': z.number().int().min(1).max(99_999).optional(),
    'share': z.number().min(1).max(100).optional(),
    'align': z.enum(['left', 'centre', 'right']).optional(),
  })
  .meta({ id: 'Dress', example: { 'fit': 'shape', 'max-width': 800, 'align': 'centre' } }) satisfies z.ZodType<Dress>;

export interface ParsedWishes {
  settings: Settings;
  dress: Dress;
}

/** Every name that a wish can have, settings first. */
export const wishNames: readonly string[] = [...settingNames, ...dressNames];

/**
 * Reads wishes as people write them (`start=1:52`, `fit=shape`).
 * @throws OrbisError `wish-unknown` or `value-invalid`, with what would do.
 */
export function parseWishes(words: readonly string[]): ParsedWishes {
  const wishes: ParsedWishes = { settings: {}, dress: {} };
  for (const word of words) {
    const equals = word.indexOf('=');
    const name = (equals < 0 ? word : word.slice(0, equals)).trim();
    const value = equals < 0 ? '' : word.slice(equals + 1);
    if (name.startsWith(handName(''))) {
      wishes.settings.parameters = { ...wishes.settings.parameters, ...parseHand(name, value, equals) };
      continue;
    }
    const setting = settingNamed(name);
    const option = setting ? null : dressNamed(name);
    const definition = setting ?? option;
    if (!definition) throw unknownWish(name);
    const parsed = definition.parse(value);
    if (!parsed.ok) throw new OrbisError('value-invalid', { wish: name, found: value, expected: `${parsed.expected}. Example: ${name}=${definition.example}` });
    Object.assign(setting ? wishes.settings : wishes.dress, { [name]: parsed.value });
  }
  return wishes;
}

/* A parameter by the provider's own name: `parameter.hue=12`. */
function parseHand(wish: string, value: string, equals: number): Record<string, string> {
  const name = wish.slice(handName('').length);
  const expected = 'a name and a value as the provider writes them, at most 2000 characters. Example: parameter.hue=12';
  if (equals < 0 || !handNamePattern.test(name) || value.length > 2000) throw new OrbisError('value-invalid', { wish, found: value, expected });
  return { [name]: value };
}

/** Wishes as people read them: name and value, in the order of the tables. */
export function sayWishes({ settings, dress }: ParsedWishes): { name: string; value: string }[] {
  const out: { name: string; value: string }[] = [];
  for (const name of wishNames) {
    const setting = settingNamed(name);
    const value = setting ? settings[setting.name] : dress[name as keyof Dress];
    const say = (setting?.say ?? dressNamed(name)?.say) as ((value: unknown) => string) | undefined;
    if (value !== undefined && say) out.push({ name, value: say(value) });
  }
  for (const [name, value] of Object.entries(settings.parameters ?? {})) out.push({ name: handName(name), value });
  return out;
}

/** Whether wishes can have this name: that of a setting, of dress, or of a parameter that is set by hand. */
export const isWishName = (name: string): boolean => wishNames.includes(name) || (name.startsWith(handName('')) && handNamePattern.test(name.slice(handName('').length)));

/** Wishes with others on top of them; parameters that are set by hand are joined one by one. */
export function joinWishes(now: ParsedWishes, more: ParsedWishes): ParsedWishes {
  const parameters = { ...now.settings.parameters, ...more.settings.parameters };
  return { settings: { ...now.settings, ...more.settings, ...(Object.keys(parameters).length > 0 ? { parameters } : {}) }, dress: { ...now.dress, ...more.dress } };
}

/** These wishes without some of them, by their names. */
export function withoutWishes({ settings, dress }: ParsedWishes, names: readonly string[]): ParsedWishes {
  const without = <T extends object>(all: T, named = (name: string): string => name): T =>
    Object.fromEntries(Object.entries(all).filter(([name]) => !names.includes(named(name)))) as T;
  const parameters = without(settings.parameters ?? {}, handName);
  const { parameters: _, ...rest } = without(settings);
  return { settings: { ...rest, ...(Object.keys(parameters).length > 0 ? { parameters } : {}) }, dress: without(dress) };
}

/** @throws OrbisError `wish-unknown` always: it makes the error. */
export function unknownWish(name: string): OrbisError {
  const near = wishNames.find((known) => distance(known, name.toLowerCase()) <= 2);
  return new OrbisError('wish-unknown', { found: name, near, known: wishNames.join(', ') });
}

/* Levenshtein; names are short. */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1));
    row = next;
  }
  return row[b.length]!;
}
