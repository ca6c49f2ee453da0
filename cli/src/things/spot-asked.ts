import { Option } from 'commander';
import { spoken, type Client, type SpotValues } from '@orbis/contract';
import { spotDevices, type MeasuredWidths } from '@orbis/core';
import { UsedWrongly, type Tools } from '../command.ts';
import { measuredAt } from './spot-at.ts';
import { sizeIn, sizesInWords, type SpotSize } from './spot-size.ts';

/** A spot of which nothing is said. */
export const usualSpot: SpotSize = { widths: { phone: 358, tablet: 704, desktop: 760 }, heights: {} };

/** What says where a spot is. */
export const atOption = (): Option =>
  new Option(
    '--at <selector>',
    'the element of the published page that it is in, as a CSS selector, or “none”; how wide it is there is measured',
  );

/** The help of a command that takes the size of a spot; `begin` is the command with its first words. */
export const spotHelp = (begin: string, measured = '--at main'): string =>
  `\nExamples:\n  orbis ${begin} desktop=728\n  orbis ${begin} ${measured}\n\n${sizesInWords}\n\n“orbis areas PAGE” lists what --at can be. Measuring needs Chromium where Orbis runs; what is typed is not measured.`;

/** What is asked of a spot: its size in words, its element, and how both are now. */
export interface SpotAsked {
  words: string[];
  selector: string | undefined;
  now: SpotSize & { selector?: string | null };
  /** The page on which it is measured. */
  page: string | undefined;
}

/** What a spot is to be: the widths that nobody typed are measured where its element is said. */
export async function wantedSpot(
  { words, selector, now, page }: SpotAsked,
  client: Client,
): Promise<{ body: SpotValues; measured: MeasuredWidths | null }> {
  const isTyped = spotDevices.every((device) =>
    words.some((word) => !word.includes('=') || word.startsWith(device)),
  );
  // What is no size is refused before anything is measured.
  const typed = sizeIn(words, now);
  const where = selector === 'none' ? null : (selector ?? now.selector ?? null);
  const isMeasured = selector !== undefined && where !== null && !isTyped;
  if (isMeasured && page === undefined)
    throw new UsedWrongly('Say on which page it is measured: --on SITE/PATH. Or type its size.');
  const measured = isMeasured ? await measuredAt(page!, where, { client, now }) : null;
  const size = measured ? sizeIn(words, { widths: measured.widths, heights: now.heights }) : typed;
  return { body: { ...size, selector: where }, measured };
}

/** Says on which devices nothing was measured. */
export function tellHidden(measured: MeasuredWidths | null, tools: Tools): void {
  if (measured && measured.hidden.length > 0) tools.note(`${spoken.spots.hidden(measured.hidden)}\n`);
}
