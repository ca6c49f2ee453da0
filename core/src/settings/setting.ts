import type { Kind } from '../reading/reading.ts';

export type Parsed<V> = { ok: true; value: V } | { ok: false; expected: string };

/** WGS 84 degrees. */
export interface Coordinates {
  latitude: number;
  longitude: number;
}

/** Wishes in canonical units: times in seconds, sizes in px, colours as `#rrggbb`, places in WGS 84 degrees. What is not named is not wished. */
export interface Settings {
  start?: number;
  end?: number;
  autoplay?: boolean;
  muted?: boolean;
  loop?: boolean;
  controls?: boolean;
  captions?: boolean;
  download?: boolean;
  language?: string;
  theme?: 'light' | 'dark';
  accent?: string;
  privacy?: boolean;
  zoom?: number;
  centre?: Coordinates;
  view?: string;
  page?: number;
  account?: string;
  count?: number;
  delay?: number;
  prefill?: string;
  title?: string;
  width?: number;
  height?: number;
  /** False takes out what only follows people; nothing and true leave it. */
  tracking?: boolean;
  /** Parameters by the provider's own names, set by hand. */
  parameters?: Record<string, string>;
}
export type SettingName = Exclude<keyof Settings, 'parameters'>;

/** What kinds of values there are; a sheet says for each how its provider writes it. */
export interface SettingTypes {
  time: number;
  switch: boolean;
  number: number;
  choice: string;
  colour: string;
  text: string;
  coordinates: Coordinates;
}
export type SettingType = keyof SettingTypes;

/** One plain wish with one meaning for all providers. */
export interface Definition<Name extends SettingName, Type extends SettingType> {
  name: Name;
  type: Type;
  /** A word or two, as the label of a field. */
  label: string;
  /** What kinds of embeds it makes sense for. */
  kinds: readonly Kind[] | 'any';
  /** One sentence for owners. */
  explain: string;
  /** An example as people say it. */
  example: string;
  /** From what people say to the canonical value. */
  parse(text: string): Parsed<SettingTypes[Type]>;
  /** From the canonical value to what people say; reading it again gives the same value. */
  say(value: SettingTypes[Type]): string;
  /** What is done, as the beginning of a sentence: "Start at 1:52". */
  because(value: SettingTypes[Type]): string;
}

type OfType<Type extends SettingType> = Definition<SettingName, Type>;
export type SettingDefinition = { [Type in SettingType]: OfType<Type> }[SettingType];
