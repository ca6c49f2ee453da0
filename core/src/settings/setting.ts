export type Parsed<V> = { ok: true; value: V } | { ok: false; expected: string };

/** One plain wish with one meaning for all providers. */
interface Definition<Name extends string, Type extends string, V> {
  name: Name;
  type: Type;
  /** One sentence for owners. */
  explain: string;
  /** An example as people say it. */
  example: string;
  /** From what people say to the canonical value. */
  parse(text: string): Parsed<V>;
  /** From the canonical value to what people say; reading it again gives the same value. */
  say(value: V): string;
  /** What is done, as the beginning of a sentence: "Start at 1:52". */
  because(value: V): string;
}

export type TimeDefinition = Definition<'start' | 'end', 'time', number>;
export type SwitchDefinition = Definition<'autoplay' | 'muted' | 'loop' | 'controls', 'switch', boolean>;
export type SettingDefinition = TimeDefinition | SwitchDefinition;
export type SettingName = SettingDefinition['name'];

/** Wishes in canonical units: times in seconds, switches as booleans. What is not named is not wished. */
export interface Settings {
  start?: number;
  end?: number;
  autoplay?: boolean;
  muted?: boolean;
  loop?: boolean;
  controls?: boolean;
}
