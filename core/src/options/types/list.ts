import { notUnderstood, type Parsed } from '../values.ts';
import type { Limits, OptionType } from './type.ts';
import { parseText } from './text.ts';

/** The longest item of a list, in characters. */
export const longestItem = 80;

/** Several words or phrases in their order, none twice: `stars, moon maps`. */
export const listType = (limits: Required<Pick<Limits, 'items'>>): OptionType<readonly string[]> => ({
  name: 'list',
  limits,
  parse: (text) => parseList(text, limits.items),
  format: (value) => value.join(', '),
});

function parseList(text: string, most: number): Parsed<readonly string[]> {
  const items: string[] = [];
  for (const said of text.split(',')) {
    const item = parseText(said, longestItem);
    if (!item.ok) return notUnderstood('list', { most, length: longestItem });
    if (!items.includes(item.value)) items.push(item.value);
  }
  return items.length <= most
    ? { ok: true, value: items }
    : notUnderstood('list', { most, length: longestItem });
}
