import type { Facts } from '../reason.ts';

/** WGS 84 degrees. */
export interface Coordinates {
  latitude: number;
  longitude: number;
}

/** A shape, as width to height in whole numbers. */
export interface Ratio {
  width: number;
  height: number;
}

/** What an option can be: times in seconds, sizes in px, shares in per cent, colours as `#rrggbb`. */
export type OptionValue = number | boolean | string | Coordinates | Ratio | readonly string[];

/**
 * What is asked of an embed: values in canonical units by the options’ names, flat, in any order. What is not
 * named is not asked for. Parameters that are set by hand stand under `parameter.NAME`.
 * @example { "start": 112, "max-width": 720, "parameter.hue": "12" }
 */
export type Options = Readonly<Record<string, OptionValue>>;

/** These options without some of them, by their names. */
export const withoutOptions = (options: Options, names: readonly string[]): Options =>
  Object.fromEntries(Object.entries(options).filter(([name]) => !names.includes(name)));

/** What a value could have been, as a code with facts; the words are the language file’s. */
export interface Expectation {
  code: string;
  facts: Facts;
}

/** What comes of reading what people typed. */
export type Parsed<V> = { ok: true; value: V } | { ok: false; expected: Expectation };

export const notUnderstood = (code: string, facts: Facts = {}): { ok: false; expected: Expectation } => ({
  ok: false,
  expected: { code, facts },
});
