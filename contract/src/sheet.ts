import { z } from './zod.ts';
import { kinds, timeFormats, type Sheet } from '@orbis/core';

const place = { in: z.enum(['query', 'fragment', 'attribute']), name: z.string().min(1).max(80) };
const timeSetting = z.strictObject({ ...place, format: z.enum(timeFormats) });
const switchValue = z.union([z.string(), z.literal(true), z.null()]).meta({ description: 'written so; true: standing alone; null: not there' });
const switchSetting = z.strictObject({ ...place, on: switchValue, off: switchValue });
const pattern = z.strictObject({ hostname: z.string().min(1), pathname: z.string().min(1), search: z.string().optional() });
const whole = z.number().int().min(1).max(20_000);

/** The schema of a provider sheet's file (JSON). */
export const sheetSchema = z
  .strictObject({
    id: z
      .string()
      .regex(/^[a-z0-9]+(?:-[a-z0-9]+)*$/)
      .max(60),
    name: z.string().trim().min(1).max(80),
    version: z.number().int().min(1),
    kind: z.enum(kinds),
    hosts: z.array(z.string().min(1)).min(1),
    links: z.array(pattern),
    frames: z.array(pattern),
    code: z.strictObject({ address: z.string().min(1), width: whole, height: whole, title: z.string().min(1), allow: z.array(z.string()) }),
    shape: z.strictObject({ width: whole, height: whole }),
    linkTime: z.strictObject({ in: z.enum(['query', 'fragment']), name: z.string().min(1), format: z.enum(timeFormats) }).optional(),
    settings: z.strictObject({
      start: timeSetting.optional(),
      end: timeSetting.optional(),
      autoplay: switchSetting.optional(),
      muted: switchSetting.optional(),
      loop: switchSetting.optional(),
      controls: switchSetting.optional(),
    }),
    needs: z.strictObject({
      scripts: z.boolean().optional(),
      forms: z.boolean().optional(),
      popups: z.boolean().optional(),
      storage: z.boolean().optional(),
      autoplay: z.boolean().optional(),
      fullscreen: z.boolean().optional(),
    }),
  })
  .meta({ id: 'ProviderSheet' }) satisfies z.ZodType<Sheet>;

/** A sheet's file that does not follow the schema; the message names the file and every place in it. */
export class SheetInvalid extends Error {}

/**
 * Reads the text of a sheet's file.
 * @throws SheetInvalid when it is no JSON or does not follow the schema.
 */
export function parseSheet(text: string, file: string): Sheet {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    throw new SheetInvalid(`${file}: not JSON: ${error instanceof Error ? error.message : String(error)}`);
  }
  const parsed = sheetSchema.safeParse(data);
  if (!parsed.success) {
    throw new SheetInvalid(parsed.error.issues.map((issue) => `${file}: ${issue.path.join('/') || 'the whole'}: ${issue.message}`).join('\n'));
  }
  // Zod gives the settings back in the schema's order; the file's own order is that of the parameters.
  const settings = (data as { settings: Sheet['settings'] }).settings;
  return { ...parsed.data, settings };
}
