import type { Markup } from './text/index.ts';
import { sheetOf, type Reading, type ReadingContext } from './reading/index.ts';
import { readWhole } from './reading/read.ts';
import type { Sheet } from './sheets/index.ts';

/** A text that was read, with all that the later stages need to know where edits belong. */
export interface Code {
  text: string;
  reading: Reading;
  markup: Markup;
  sheet: Sheet | null;
  /** How long its content is, in seconds, where the code or somebody told. */
  length: number | null;
}

/** A wish that cannot be fulfilled; the sentence is made at the edge from the code and the facts. */
export interface WishProblem {
  wish: string;
  code:
    | 'no-sheet'
    | 'setting-not-offered'
    | 'value-not-offered'
    | 'part-missing'
    | 'settings-exclude'
    | 'clip-order'
    | 'time-beyond'
    | 'no-way-to-play'
    | 'sound-autoplay'
    | 'nothing-to-dress'
    | 'shape-unknown'
    | 'own-wrapper';
  facts: Record<string, string | number>;
}

/** Reads a text and keeps what the later stages need. A text beyond the limits is opened as one without elements. */
export function openCode(text: string, context: ReadingContext): Code {
  const { reading, markup, length } = readWhole(text, context);
  return { text, reading, markup, sheet: sheetOf(reading, context), length };
}
