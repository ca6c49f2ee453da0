import type { Code } from '../code.ts';
import type { Kind, Reading } from '../reading/reading.ts';
import type { OwnOptionWords, Sheet } from '../sheets/sheet.ts';
import type { Change } from './change.ts';
import type { OptionType } from './types/index.ts';
import type { Facts, Reason } from '../reason.ts';
import type { Options, OptionValue } from './values.ts';

/** What is shown together, folded, as few need it. */
export const optionGroups = [
  'loading',
  'beside',
  'over',
  'space',
  'edges',
  'crop',
  'parts',
  'powers',
] as const;
export type OptionGroup = (typeof optionGroups)[number];

/** The stages whose options owners can ask for. */
export type OptionStage = 'settings' | 'presentation' | 'isolation';

/** An option that cannot be fulfilled; the sentence is made at the edge from the code and the facts. */
export interface OptionProblem {
  option: string;
  code: string;
  facts: Facts;
}

/** What an option comes to for a code: changes, or why it cannot be. */
export interface Contribution {
  changes: readonly Change[];
  problems: readonly Omit<OptionProblem, 'option'>[];
}

/** Another option that comes with one, unless it is asked for itself. */
export interface Implied {
  option: string;
  by: string;
  value: OptionValue;
  reason: Reason;
}

/** What an option may know of the page that its code is pasted into. */
export interface PastedPage {
  /** Its language (BCP 47), for words that visitors read. */
  language: string;
  /**
   * Where the loader of ours stands, which shows codes that wait: in the page’s head, with this code, or with
   * another one that stands before it.
   */
  loader: 'head' | 'here' | 'elsewhere';
  /** Where the listener of ours stands, which makes frames as high as they say; as above. */
  listener: PastedPage['loader'];
  /** Whether all documents that are served share one host, so that none has an origin of its own. */
  sharesHost?: boolean;
}

/** What an option may know beside its own value. */
export interface OptionContext {
  page: PastedPage;
  /** All that is asked for, with what is implied. */
  options: Options;
  /** What came with another option, by its name. */
  implied: ReadonlyMap<string, Implied>;
}

/**
 * One thing that owners can ask of an embed, with one meaning for all providers. Its label and explanation
 * stand in the language file under its name.
 */
export interface Option<V extends OptionValue = OptionValue> {
  name: string;
  stage: OptionStage;
  type: OptionType<V>;
  /** What kinds of embeds it makes sense for. */
  kinds: readonly Kind[] | 'any';
  /** A value as people type it. */
  example: string;
  /** What it rests on: a section of a standard, or “observed”. */
  source: string;
  /** Words of common speech by which providers call it, where their sheets say where it goes. */
  words?: readonly string[];
  /** Whether it may differ for phones and tablets (`max-width.phone`): by declarations only. */
  perDevice?: boolean;
  /** With which others it is shown, where it is not among the first. */
  group?: OptionGroup;
  /** What it is called and does, where a provider’s sheet declares it. */
  own?: OwnOptionWords;
  /**
   * Whether it can be had for codes of this provider, or of an unknown one (null), and for this
   * code, where one is given.
   */
  isOffered(sheet: Sheet | null, reading: Pick<Reading, 'parts' | 'kind'> | null): boolean;
  /** Several options that one word for it means: `fit=16:9`. */
  shorthand?(text: string): Options | null;
  /** What comes with it where it is not asked for itself. */
  implies?(code: Code, value: V, options: Options): readonly Omit<Implied, 'by'>[];
  /** What the code itself says of it, without anything asked; null where it says nothing. */
  current(code: Code): V | null;
  /** What fulfils it in a code, or why it cannot be. Pure. */
  contribute(code: Code, value: V, context: OptionContext): Contribution;
  /** The same for one device, where it is not by the declarations that hold everywhere. */
  contributeOnDevice?(code: Code, value: V, context: OptionContext): Contribution;
}

/** Changes that fulfil an option. */
export const contribution = (changes: readonly Change[]): Contribution => ({ changes, problems: [] });

/** Why an option cannot be fulfilled. */
export const problem = (code: string, facts: Facts = {}): Contribution => ({
  changes: [],
  problems: [{ code, facts }],
});
