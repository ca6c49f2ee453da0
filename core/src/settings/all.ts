import { setting as accent } from './accent.ts';
import { setting as account } from './account.ts';
import { setting as autoplay } from './autoplay.ts';
import { setting as captions } from './captions.ts';
import { setting as centre } from './centre.ts';
import { setting as controls } from './controls.ts';
import { setting as count } from './count.ts';
import { setting as delay } from './delay.ts';
import { setting as download } from './download.ts';
import { setting as end } from './end.ts';
import { setting as height } from './height.ts';
import { setting as language } from './language.ts';
import { setting as loop } from './loop.ts';
import { setting as muted } from './muted.ts';
import { setting as page } from './page.ts';
import { setting as prefill } from './prefill.ts';
import { setting as privacy } from './privacy.ts';
import { setting as start } from './start.ts';
import { setting as theme } from './theme.ts';
import { setting as title } from './title.ts';
import { setting as tracking } from './tracking.ts';
import { setting as view } from './view.ts';
import { setting as width } from './width.ts';
import { setting as zoom } from './zoom.ts';
import type { SettingDefinition, SettingName } from './setting.ts';

/** Every setting, in the order in which people are shown them. */
export const settings: readonly SettingDefinition[] = [
  start,
  end,
  autoplay,
  muted,
  loop,
  controls,
  captions,
  download,
  language,
  theme,
  accent,
  privacy,
  zoom,
  centre,
  view,
  page,
  account,
  count,
  delay,
  prefill,
  title,
  width,
  height,
  tracking,
];

export const settingNames: readonly SettingName[] = settings.map((setting) => setting.name);

const byName = new Map<string, SettingDefinition>(settings.map((setting) => [setting.name, setting]));

/** The definition of a setting by its name, or null. */
export const settingNamed = (name: string): SettingDefinition | null => byName.get(name) ?? null;

export type { SettingName };
