import type { OptionValue, Parsed } from '../values.ts';

/** The types of values, each with a file of its own beside this one. */
export const typeNames = [
  'time',
  'switch',
  'number',
  'choice',
  'colour',
  'text',
  'coordinates',
  'ratio',
  'length',
  'address',
  'picture',
  'list',
  'heights',
] as const;
export type TypeName = (typeof typeNames)[number];

/** What narrows a type for one option. */
export interface Limits {
  /** Of a number: the smallest and the largest. */
  least?: number;
  most?: number;
  /** Of a number: no fractions. */
  whole?: boolean;
  /** What a number counts. */
  unit?: 'px' | '%';
  /** Of a choice: its words; where there are none, each provider has its own. */
  words?: readonly string[];
  /** Of a text: its greatest length in characters. */
  length?: number;
  /** Of a list: how many items it has at most. */
  items?: number;
  /** Of a list: each item is the name of a part of the code. */
  parts?: boolean;
  /** Of a picture: it may also be a small one that its address holds itself. */
  held?: boolean;
  /** Of a text: it names a language (BCP 47). */
  isLanguage?: boolean;
}

/** A type of value: how it is read from what people type, and written for them. */
export interface OptionType<V extends OptionValue = OptionValue> {
  readonly name: TypeName;
  readonly limits: Limits;
  /** From what people type to the canonical value. */
  parse(text: string): Parsed<V>;
  /** From the canonical value to what people type; reading it again gives the same value. */
  format(value: V): string;
}
