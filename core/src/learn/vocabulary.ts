import type { SettingName } from '../settings/setting.ts';

/** A setting that a sheet can say something of. */
export type LearnedSetting = Exclude<SettingName, 'title' | 'width' | 'height' | 'tracking' | 'privacy'>;

/** Words of common speech by which parameters of a meaning are called, whoever the provider is. */
export const wordsFor: Readonly<Record<LearnedSetting, readonly string[]>> = {
  start: words('start starts begin begins from offset seek t time starttime startat'),
  end: words('end ends until stop finish out endtime endat to'),
  autoplay: words('autoplay autostart auto play'),
  muted: words('mute muted silent silence quiet hush sound audio volume'),
  loop: words('loop loops repeat repeats again replay'),
  controls: words('controls control controlbar buttons ui toolbar bar'),
  captions: words('captions caption subtitles subtitle subs cc'),
  download: words('download downloads downloadable save'),
  language: words('language lang locale hl tongue speech speak idiom'),
  theme: words('theme mode scheme appearance style skin look tone palette background'),
  accent: words('accent color colour hue tint highlight primary brand shade ink'),
  zoom: words('zoom z scale magnification'),
  centre: words('center centre ll latlng coordinates coords position'),
  view: words('view layer maptype display fit'),
  page: words('page pagenumber pg'),
  account: words('account user username of by owner channel profile site shop store place campaign calendar letter list'),
  count: words('count limit number num items rows max most amount perpage show'),
  delay: words('delay after wait pause'),
  prefill: words('prefill email mail address'),
};

/** Words whose switch is the other way round: on means that the setting is off. */
export const inverse: ReadonlySet<string> = new Set(['sound', 'audio', 'volume']);
export const latitudeWords: readonly string[] = words('lat latitude y');
export const longitudeWords: readonly string[] = words('lng lon long longitude x');
/** What an item's own id is called. */
export const itemWords: ReadonlySet<string> = new Set(words('id item key ref code slug uid guid embed v video clip track map doc document file form feed post widget url link'));
/** Values of a light and of a dark look. */
export const lookWords: Readonly<Record<'light' | 'dark', ReadonlySet<string>>> = {
  light: new Set(words('light day daylight white bright pale')),
  dark: new Set(words('dark night black dim dusk midnight')),
};
export const onWords: ReadonlySet<string> = new Set(['1', 'true', 'yes', 'on', '']);
export const offWords: ReadonlySet<string> = new Set(['0', 'false', 'no', 'off', 'none']);
/** The two-letter codes of languages that pages are often in (ISO 639-1), without those that are words of English. */
export const languages: ReadonlySet<string> = new Set(
  words('ar bg ca cs cy da de el en es et eu fa fi fr ga gd gl hr hu ja ko lt lv mt nb nl nn pl pt ro ru sk sl sr sv th tr uk vi zh'),
);

function words(list: string): string[] {
  return list.split(' ');
}

/** A name's words in lower case: `data-startAt` is `start`, `at` and, as one, `startat`. */
export function wordsIn(name: string): string[] {
  const plain = name
    .replace(/^data-/, '')
    .split('.')
    .at(-1)!;
  const parts = plain
    .replaceAll(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean);
  return [...new Set([...parts, parts.join('')])];
}
