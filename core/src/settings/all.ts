import { option as accent } from './accent.ts';
import { option as account } from './account.ts';
import { option as autoplay } from './autoplay.ts';
import { option as captions } from './captions.ts';
import { option as centre } from './centre.ts';
import { option as controls } from './controls.ts';
import { option as count } from './count.ts';
import { option as delay } from './delay.ts';
import { option as download } from './download.ts';
import { option as end } from './end.ts';
import { option as height } from './height.ts';
import { option as lang } from './lang.ts';
import { option as language } from './language.ts';
import { option as loop } from './loop.ts';
import { option as muted } from './muted.ts';
import { option as page } from './page.ts';
import { option as prefill } from './prefill.ts';
import { option as privacy } from './privacy.ts';
import { option as start } from './start.ts';
import { option as theme } from './theme.ts';
import { option as title } from './title.ts';
import { option as tracking } from './tracking.ts';
import { option as view } from './view.ts';
import { option as width } from './width.ts';
import { option as zoom } from './zoom.ts';
import type { Option } from '../options/option.ts';

/** Every setting, in the order in which people are shown them. */
export const settings: readonly Option[] = [
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
  lang,
  width,
  height,
  tracking,
];
