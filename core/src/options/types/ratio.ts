import { notUnderstood, type Parsed, type Ratio } from '../values.ts';
import type { OptionType } from './type.ts';

/** Reads a shape, as width to height: `16:9`, `4/3`, `1080x1920`. */
function parseRatio(text: string): Parsed<Ratio> {
  const found = /^\s*(\d{1,5})\s*[:/x×]\s*(\d{1,5})\s*$/i.exec(text);
  const [width, height] = [Number(found?.[1] ?? 0), Number(found?.[2] ?? 0)];
  return width > 0 && height > 0 ? { ok: true, value: { width, height } } : notUnderstood('ratio');
}

/** A shape, as width to height. */
export const ratioType: OptionType<Ratio> = {
  name: 'ratio',
  limits: {},
  parse: parseRatio,
  format: ({ width, height }) => `${width}:${height}`,
};
