import type { Facts, OptionLevel, SearchField, SnippetPosition } from '@orbis/core';

type Sentence = (facts: Facts) => string;

/** What an option is called and does. */
export interface OptionWords {
  /** A word or two, as the label of a field. */
  label: string;
  /** One sentence for owners. */
  explain: string;
  /** What is done with this value, as the beginning of a sentence: “Start at 1:52”. */
  done: (value: string) => string;
  /** What its values are called, where they are words. */
  words?: Readonly<Record<string, string>>;
}

/** A language in which Orbis speaks to owners: one file, with the words for every code. */
export interface Language {
  /** By the names of options. */
  options: Readonly<Record<string, OptionWords>>;
  /** Parameters that are set by hand. */
  byHand: OptionWords;
  /** What a value could have been: “on or off”. */
  expected: Readonly<Record<string, Sentence>>;
  /** Why something was changed: clauses without a full stop, which are joined, or sentences with one. `done` is among the facts. */
  reasons: Readonly<Record<string, Sentence>>;
  /** What a mending does, in a sentence. */
  mends: Readonly<Record<string, Sentence>>;
  /** What speaks for the kind of a code: clauses. */
  evidence: Readonly<Record<string, Sentence>>;
  /** Why a line of a learned sheet is as it is: clauses, joined by commas; what speaks for a kind may be among them. */
  learned: Readonly<Record<string, Sentence>>;
  /** Why a frame is given a sandbox token: clauses. */
  powers: Readonly<Record<string, Sentence>>;
  /** The search language: what its fields mean, and what is wrong with a search. */
  search: { fields: Readonly<Record<SearchField, string>>; problems: Readonly<Record<string, Sentence>> };
  /** Why an option cannot be fulfilled. `expected` is among the facts. */
  problems: Readonly<Record<string, { title: string; detail: Sentence }>>;
  /** Where a value comes from, behind it: “from the embed”. */
  levels: Readonly<Record<OptionLevel | 'code', string>>;
  /** Where a snippet is pasted. */
  positions: Readonly<Record<SnippetPosition, string>>;
  /** What the presets that come with Orbis are for. */
  presets: Readonly<Record<string, string>>;
}
