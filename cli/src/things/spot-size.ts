import { fixedSizes, spotDevices, type FixedSize } from '@orbis/core';
import type { Heights, Spot, Widths } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';

/** How large a spot is. */
export type SpotSize = Pick<Spot, 'widths' | 'heights'>;

type Device = (typeof spotDevices)[number];
const named: Readonly<Record<string, FixedSize>> = fixedSizes;

/** What the words of a size are, for the help of a command. */
export const sizesInWords = `The size is typed as phone=358 tablet=704 desktop=760 (px); where it does not give way, as phone=320x50, or by
one of the fixed sizes of the advertising trade, for all devices or for one (medium-rectangle, desktop=leaderboard):
${Object.entries(fixedSizes)
  .map(([name, { width, height }]) => `  ${name.padEnd(17)} ${width}x${height}`)
  .join('\n')}`;

/** Reads the words of a size; the devices that none of them names stay as they are. */
export function sizeIn(words: readonly string[], now: SpotSize): SpotSize {
  const widths: Widths = { ...now.widths };
  const heights: Heights = { ...now.heights };
  for (const word of words) {
    const found = /^(?:(phone|tablet|desktop)=)?(.+)$/s.exec(word)!;
    const size = readSize(found[2]!);
    // A width alone is meant for one device.
    if (!size || (found[1] === undefined && size.height === null)) throw noSize(word);
    for (const device of found[1] === undefined ? spotDevices : [found[1] as Device]) {
      widths[device] = size.width;
      heights[device] = size.height ?? undefined;
    }
  }
  return { widths, heights };
}

function readSize(text: string): { width: number; height: number | null } | null {
  if (Object.hasOwn(named, text)) return named[text]!;
  const found = /^(\d{1,4})(?:[x×](\d{1,4}))?(?:px)?$/.exec(text);
  if (!found) return null;
  return { width: Number(found[1]), height: found[2] === undefined ? null : Number(found[2]) };
}

const noSize = (word: string): UsedWrongly =>
  new UsedWrongly(
    `“${word}” is not a size. Write phone=358 tablet=704 desktop=760, in px, phone=320x50, or a fixed size such as medium-rectangle.`,
  );
