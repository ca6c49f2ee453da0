import { parse, type DefaultTreeAdapterTypes } from 'parse5';

/** Where the styles of a page are. */
export interface PageStyles {
  /** Those that stand in the page: in `style` elements, and in attributes as rules of their elements. */
  inside: string[];
  /** The addresses of its style sheets, in their order. */
  sheets: string[];
}

type Node = DefaultTreeAdapterTypes.ChildNode;
type Element = DefaultTreeAdapterTypes.Element;

/**
 * Finds the styles of a page (HTML, sections 4.2.4 and 4.2.6).
 * @param address where the page is, by which the addresses of its sheets are read.
 */
export function stylesOfPage(html: string, address: string): PageStyles {
  const elements = elementsIn(html);
  // The first one holds (HTML, section 4.2.3).
  const base = elements.find((each) => each.tagName === 'base' && attribute(each, 'href') !== '');
  const from = (base && resolved(attribute(base, 'href'), address)) ?? address;
  return {
    inside: elements.flatMap((each) => [
      ...(each.tagName === 'style' ? [each.childNodes.map(textIn).join('')] : []),
      ...(attribute(each, 'style') === '' ? [] : [`${each.tagName}{${attribute(each, 'style')}}`]),
    ]),
    sheets: elements
      .filter((each) => each.tagName === 'link' && isSheet(attribute(each, 'rel')))
      .map((each) => attribute(each, 'href').trim())
      .flatMap((href) => (href === '' ? [] : (resolved(href, from) ?? []))),
  };
}

function elementsIn(html: string): Element[] {
  const elements: Element[] = [];
  const left: Node[] = parse(html).childNodes.reverse();
  for (let node = left.pop(); node; node = left.pop()) {
    if (!('tagName' in node)) continue;
    elements.push(node);
    for (const child of node.childNodes.toReversed()) left.push(child);
  }
  return elements;
}

const attribute = ({ attrs }: Element, name: string): string =>
  attrs.find((each) => each.name === name)?.value ?? '';

const resolved = (href: string, base: string): string | null =>
  URL.canParse(href, base) ? new URL(href, base).href : null;

const textIn = (node: Node): string => ('value' in node ? node.value : '');

const isSheet = (rel: string): boolean => {
  const words = rel.toLowerCase().split(/\s+/);
  return words.includes('stylesheet') && !words.includes('alternate');
};
