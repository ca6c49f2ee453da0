import type { Markup } from './text/index.ts';
import { sheetOf, type Reading, type ReadingContext } from './reading/index.ts';
import { readWhole } from './reading/read.ts';
import type { Inside } from './reading/inside.ts';
import type { Sheet } from './sheets/index.ts';

/** A text that was read, with all that the later stages need to know where edits belong. */
export interface Code {
  text: string;
  reading: Reading;
  markup: Markup;
  sheet: Sheet | null;
  /** How long its content is, in seconds, where the code or somebody told. */
  length: number | null;
  inside: Inside;
}

/**
 * Reads a text and keeps what the later stages need. A text beyond the limits is
 * opened as one without elements.
 */
export function openCode(text: string, context: ReadingContext): Code {
  const whole = readWhole(text, context);
  return { text, ...whole, sheet: sheetOf(whole.reading, context) };
}

/** What a code itself calls its content: the first title in it; null where there is none. */
export const titleIn = ({ markup }: Pick<Code, 'markup'>): string | null =>
  markup.elements.map(({ attributes }) => attributes.value('title')?.trim()).find(Boolean) ?? null;
