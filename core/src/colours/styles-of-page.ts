import { parse, type DefaultTreeAdapterTypes } from 'parse5';

/** Where the styles of a page are. */
export interface PageStyles {
  /** Those that stand in the page: in `style` elements, and in attributes as rules of their elements. */
  inside: string[];
  /** The addresses of its style sheets, in their order. */
  sheets: string[];
}

type Node = DefaultTreeAdapterTypes.ChildNode;

/**
 * Finds the styles of a page (HTML, sections 4.2.4 and 4.2.6).
 * @param address where the page is, by which the addresses of its sheets are read.
 */
export function stylesOfPage(html: string, address: string): PageStyles {
  const found: PageStyles = { inside: [], sheets: [] };
  let base: string | null = null;
  const left: Node[] = parse(html).childNodes.reverse();
  for (let node = left.pop(); node; node = left.pop()) {
    if (!('tagName' in node)) continue;
    const attribute = (name: string): string => node.attrs.find((each) => each.name === name)?.value ?? '';
    if (node.tagName === 'style') found.inside.push(node.childNodes.map(textIn).join(''));
    if (attribute('style') !== '') found.inside.push(`${node.tagName}{${attribute('style')}}`);
    const href = attribute('href').trim();
    // The first one holds (HTML, section 4.2.3).
    if (node.tagName === 'base' && attribute('href') !== '' && URL.canParse(attribute('href'), address))
      base ??= new URL(attribute('href'), address).href;
    if (
      node.tagName === 'link' &&
      isSheet(attribute('rel')) &&
      href !== '' &&
      URL.canParse(href, base ?? address)
    )
      found.sheets.push(new URL(href, base ?? address).href);
    for (const child of node.childNodes.toReversed()) left.push(child);
  }
  return found;
}

const textIn = (node: Node): string => ('value' in node ? node.value : '');

const isSheet = (rel: string): boolean => {
  const words = rel.toLowerCase().split(/\s+/);
  return words.includes('stylesheet') && !words.includes('alternate');
};
