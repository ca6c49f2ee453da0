import { z } from './zod.ts';
import { kinds, roles, settingHolders, timeFormats, type Sheet } from '@orbis/core';

const name = z.string().min(1).max(80);
const place = {
  in: z.enum(['query', 'fragment', 'attribute']),
  name,
  of: z.enum(settingHolders).optional().meta({ description: 'Whose address or attribute: the frame’s where nothing is said' }),
  beside: z
    .array(z.strictObject({ name, value: z.string().max(200) }))
    .optional()
    .meta({ description: 'What else it needs beside it; {id} stands for the item’s own id' }),
  permission: name.optional().meta({ description: 'A permission that the frame needs for it, in “allow”' }),
  note: z.string().max(300).optional(),
};
const timeSetting = z.strictObject({ ...place, format: z.enum(timeFormats) });
const switchValue = z.union([z.string(), z.literal(true), z.null()]).meta({ description: 'written so; true: standing alone; null: not there' });
const switchSetting = z.strictObject({ ...place, on: switchValue, off: switchValue });
const numberSetting = z.strictObject({ ...place, least: z.number().optional(), most: z.number().optional(), whole: z.boolean().optional() });
const choiceSetting = z.strictObject({ ...place, choices: z.record(z.string(), z.string()) });
const colourSetting = z.strictObject({ ...place, format: z.enum(['#rrggbb', 'rrggbb']) });
const textSetting = z.strictObject({ ...place, most: z.number().int().min(1).optional() });
const coordinatesSetting = z.strictObject({ ...place, longitude: name.optional().meta({ description: 'The parameter of the longitude, where it has one of its own' }) });
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
    loaders: z.array(pattern).optional().meta({ description: 'The addresses of its scripts, where its codes are an element and a script' }),
    mounts: z
      .array(z.strictObject({ element: name.optional(), class: name.optional(), attribute: name.optional() }))
      .optional()
      .meta({ description: 'The elements that its script fills' }),
    code: z.union([
      z.strictObject({ address: z.string().min(1), width: whole, height: whole, title: z.string().min(1), allow: z.array(z.string()) }),
      z.strictObject({ parts: z.array(z.strictObject({ role: z.enum(roles), html: z.string().min(1) })).min(1) }),
    ]),
    shape: z.strictObject({ width: whole, height: whole }).optional(),
    quiet: z
      .strictObject({ host: z.string().min(1), instead: z.string().min(1) })
      .optional()
      .meta({ description: 'The host that keeps nothing in visitors’ browsers, and the one it stands for' }),
    linkTime: z.strictObject({ in: z.enum(['query', 'fragment']), name: z.string().min(1), format: z.enum(timeFormats) }).optional(),
    settings: z.strictObject({
      start: timeSetting.optional(),
      end: timeSetting.optional(),
      autoplay: switchSetting.optional(),
      muted: switchSetting.optional(),
      loop: switchSetting.optional(),
      controls: switchSetting.optional(),
      captions: switchSetting.optional(),
      download: switchSetting.optional(),
      language: textSetting.optional(),
      theme: choiceSetting.optional(),
      accent: colourSetting.optional(),
      zoom: numberSetting.optional(),
      centre: coordinatesSetting.optional(),
      view: choiceSetting.optional(),
      page: numberSetting.optional(),
      account: textSetting.optional(),
      count: numberSetting.optional(),
      delay: timeSetting.optional(),
      prefill: textSetting.optional(),
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
