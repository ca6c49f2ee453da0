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
}

/** A wish that cannot be fulfilled; the sentence is made at the edge from the code and the facts. */
export interface WishProblem {
  wish: string;
  code: 'no-sheet' | 'setting-not-offered' | 'value-not-offered' | 'part-missing' | 'clip-order' | 'sound-autoplay' | 'nothing-to-dress' | 'shape-unknown' | 'own-wrapper';
  facts: Record<string, string | number>;
}

/** Reads a text and keeps what the later stages need. A text beyond the limits is opened as one without elements. */
export function openCode(text: string, context: ReadingContext): Code {
  const { reading, markup } = readWhole(text, context);
  return { text, reading, markup, sheet: sheetOf(reading, context) };
}
