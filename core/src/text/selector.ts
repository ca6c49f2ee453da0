import type { CssNode } from 'css-tree';
import { parseCss } from './css.ts';

/** Whether a text is written as a CSS selector, or as several with commas between (Selectors Level 4). */
export function isSelector(text: string): boolean {
  try {
    const list = parseCss(text, { context: 'selectorList' });
    return list.type === 'SelectorList' && list.children.toArray().every(combinesElements);
  } catch {
    // A syntax error, or more nested than anybody writes.
    return false;
  }
}

/* css-tree lets a combinator stand where it has nothing to combine; browsers do not. */
function combinesElements(selector: CssNode): boolean {
  if (selector.type !== 'Selector') return false;
  const parts = selector.children.toArray();
  return parts.every(
    ({ type }, i) =>
      type !== 'Combinator' || (i > 0 && i < parts.length - 1 && parts[i + 1]!.type !== 'Combinator'),
  );
}
