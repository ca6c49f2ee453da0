import { setting as autoplay } from './autoplay.ts';
import { setting as controls } from './controls.ts';
import { setting as end } from './end.ts';
import { setting as loop } from './loop.ts';
import { setting as muted } from './muted.ts';
import { setting as start } from './start.ts';
import type { SettingDefinition, SettingName } from './setting.ts';

/** Every setting, in the order in which people are shown them. */
export const settings: readonly SettingDefinition[] = [start, end, autoplay, muted, loop, controls];

export const settingNames = settings.map((setting) => setting.name);

/** The definition of a setting by its name, or null. */
export function settingNamed(name: string): SettingDefinition | null {
  return settings.find((setting) => setting.name === name) ?? null;
}

export type { SettingName };
