import { attribute, decodeAttribute, innerText, parseMarkup } from '../text/index.ts';

/** What a page is called, and where it leads. */
export interface PageLinks {
  /** With its blanks folded; null where it has none. */
  title: string | null;
  /** Whole addresses (http or https) without what stands behind `#`, each once, in their order. */
  addresses: string[];
}

/* More than that a page of people does not have. */
const most = 5000;

/** Reads the links of a page (HTML, section 4.6.1); `address` is where it was found. */
export function linksOfPage(html: string, address: string): PageLinks {
  const { elements } = parseMarkup(html);
  const title = elements.find(({ name }) => name === 'title');
  const { text } = decodeAttribute(title ? innerText(html, title) : '');
  const base = elements.find(({ name }) => name === 'base');
  const from = resolved((base && attribute(base, 'href')) ?? '', address)?.href ?? address;
  const found = new Set<string>();
  for (const element of elements) {
    if (element.name !== 'a' && element.name !== 'area') continue;
    const href = attribute(element, 'href');
    const url = href === null ? null : resolved(href, from);
    if (!url || !/^https?:$/.test(url.protocol)) continue;
    url.hash = '';
    found.add(url.href);
    if (found.size === most) break;
  }
  return { title: text.replaceAll(/\s+/g, ' ').trim().slice(0, 500) || null, addresses: [...found] };
}

const resolved = (href: string, base: string): URL | null =>
  URL.canParse(href.trim(), base) ? new URL(href.trim(), base) : null;
