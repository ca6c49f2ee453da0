import { settings } from '../settings/all.ts';

/**
 * Words of common speech by which parameters of a setting are called, whoever the provider is; only of
 * settings that a sheet can say something of.
 */
export const wordsFor: Readonly<Record<string, readonly string[]>> = Object.fromEntries(
  settings.flatMap(({ name, words }) => (words ? [[name, words]] : [])),
);

/** Words whose switch is the other way round: on means that the setting is off. */
export const inverse: ReadonlySet<string> = new Set(['sound', 'audio', 'volume']);
export const latitudeWords: readonly string[] = words('lat latitude y');
export const longitudeWords: readonly string[] = words('lng lon long longitude x');
/** What an item's own id is called. */
export const itemWords: ReadonlySet<string> = new Set(
  words(
    'id item key ref code slug uid guid embed v video clip track map doc document file form feed post widget url link',
  ),
);
/** Values of a light and of a dark look. */
export const lookWords: Readonly<Record<'light' | 'dark', ReadonlySet<string>>> = {
  light: new Set(words('light day daylight white bright pale')),
  dark: new Set(words('dark night black dim dusk midnight')),
};
export const onWords: ReadonlySet<string> = new Set(['1', 'true', 'yes', 'on', '']);
export const offWords: ReadonlySet<string> = new Set(['0', 'false', 'no', 'off', 'none']);
/**
 * The two-letter codes of languages that pages are often in (ISO 639-1), without
 * those that are words of English.
 */
export const languages: ReadonlySet<string> = new Set(
  words(
    'ar bg ca cs cy da de el en es et eu fa fi fr ga gd gl hr hu ja ko lt lv mt nb nl nn pl pt ro ru sk sl sr sv th tr uk vi zh',
  ),
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
