import { notUnderstood, type Parsed } from '../values.ts';
import type { OptionType } from './type.ts';

/** How high something is at one width, in px. */
export interface HeightAt {
  width: number;
  height: number;
}

/** What is known of heights: at several widths, the narrowest first, and when they were measured. */
export interface Heights {
  at: readonly HeightAt[];
  /** The day (ISO 8601); null where nobody says. */
  measured: string | null;
}

const mostWidths = 10;
const [widest, highest] = [10_000, 50_000];
/* Longer than all that could be meant. */
const longest = 200;

/** Reads `320:872, 800:392 on 2026-11-27`; null where it is something else. */
export function parseHeights(text: string): Heights | null {
  if (text.length > longest) return null;
  const words = text.split(/[\s,]+/).filter(Boolean);
  const isDated = words.at(-2)?.toLowerCase() === 'on';
  const measured = isDated ? words.at(-1)! : null;
  if (measured !== null && !isDay(measured)) return null;
  const pairs = isDated ? words.slice(0, -2) : words;
  if (pairs.length === 0 || pairs.length > mostWidths) return null;
  const at = pairs.map(heightIn);
  if (at.some((one) => one === null) || new Set(at.map((one) => one?.width)).size < at.length) return null;
  return { at: (at as HeightAt[]).sort((a, b) => a.width - b.width), measured };
}

/* `320:872` */
function heightIn(pair: string): HeightAt | null {
  const [, width, height] = (/^(\d{1,5}):(\d{1,5})$/.exec(pair) ?? []).map(Number);
  return width && height && width <= widest && height <= highest ? { width, height } : null;
}

const isDay = (word: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(word) && !Number.isNaN(Date.parse(word));

/** Writes heights as they are kept and typed. */
export const formatHeights = ({ at, measured }: Heights): string =>
  `${at.map(({ width, height }) => `${width}:${height}`).join(', ')}${measured === null ? '' : ` on ${measured}`}`;

/** How high something is at several widths: a text, as people type it. */
export const heightsType: OptionType<string> = {
  name: 'heights',
  limits: {},
  parse: (text): Parsed<string> => {
    const heights = parseHeights(text);
    return heights
      ? { ok: true, value: formatHeights(heights) }
      : notUnderstood('heights', { most: mostWidths });
  },
  format: (value) => value,
};
