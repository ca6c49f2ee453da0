import { and, eq } from 'drizzle-orm';
import type { Preset } from '@orbis/core';
import type { Handle } from '../database/connect.ts';
import type { Actor } from './embeds.ts';
import { preset } from './schema.ts';

export type PresetRow = typeof preset.$inferSelect;

/** The owner's own presets, in alphabetical order. */
export const listPresets = (db: Handle): Promise<PresetRow[]> => db.select().from(preset).orderBy(preset.key);

export async function findPreset(db: Handle, key: string): Promise<PresetRow | null> {
  const [row] = await db.select().from(preset).where(eq(preset.key, key));
  return row ?? null;
}

/** Keeps a preset in the place of what was seen; false where somebody was faster. */
export async function putPreset(
  db: Handle,
  before: PresetRow | null,
  { key, meaning, options }: Preset & { meaning: string },
  { by, now }: Actor,
): Promise<boolean> {
  if (before === null) {
    await db.insert(preset).values({ key, meaning, options, createdAt: now, createdBy: by });
    return true;
  }
  const [result] = await db
    .update(preset)
    .set({ meaning, options, version: before.version + 1 })
    .where(and(eq(preset.id, before.id), eq(preset.version, before.version)));
  return result.affectedRows === 1;
}

export const deletePreset = (db: Handle, { id }: Pick<PresetRow, 'id'>): Promise<unknown> =>
  db.delete(preset).where(eq(preset.id, id));
