import LinkHeader from 'http-link-header';
import { attribute, decodeAttribute, innerText, parseMarkup, type Markup } from '../text/index.ts';
import type { OembedFormat } from './oembed.ts';

/** Where a page says that its oEmbed answer is: the whole address, with the link already in it. */
export interface OembedEndpoint {
  href: string;
  format: OembedFormat;
}

const formats = new Map<string, OembedFormat>([
  ['application/json+oembed', 'json'],
  ['text/xml+oembed', 'xml'],
]);

/** What a page says of itself that matters to whoever has a link to it. */
export interface PageFacts {
  /** Its title, with its blanks folded; null where it has none. */
  title: string | null;
  endpoints: OembedEndpoint[];
}

/** Reads a page behind a link: its title, and where it says that its oEmbed answer is. */
export function readLinkedPage(page: { html: string; linkHeader: string | null; base: string }): PageFacts {
  const markup = parseMarkup(page.html);
  const title = markup.elements.find(({ name }) => name === 'title');
  const { text } = decodeAttribute(title ? innerText(page.html, title) : '');
  return {
    title: text.replaceAll(/\s+/g, ' ').trim().slice(0, 500) || null,
    endpoints: endpointsIn(markup, page),
  };
}

/**
 * The oEmbed answers that a page offers (oEmbed 1.0, section 4): by its `link` elements, and by its `Link`
 * header (RFC 8288). In the order in which they are said, those of the header first.
 */
function endpointsIn(
  { elements }: Markup,
  { linkHeader, base }: { linkHeader: string | null; base: string },
): OembedEndpoint[] {
  const found: OembedEndpoint[] = [];
  const add = (
    rel: string | null | undefined,
    type: string | null | undefined,
    href: string | null | undefined,
  ): void => {
    const format = formats.get(type?.split(';')[0]!.trim().toLowerCase() ?? '');
    const alternate = rel?.toLowerCase().split(/\s+/).includes('alternate') ?? false;
    if (!format || !alternate || !href || !URL.canParse(href, base)) return;
    const url = new URL(href, base);
    if (/^https?:$/.test(url.protocol) && !found.some((known) => known.href === url.href))
      found.push({ href: url.href, format });
  };
  for (const { rel, type, uri } of parsed(linkHeader)) add(rel, type, uri);
  for (const element of elements)
    if (element.name === 'link')
      add(attribute(element, 'rel'), attribute(element, 'type'), attribute(element, 'href'));
  return found;
}

function parsed(header: string | null): { rel?: string; type?: string; uri: string }[] {
  if (header === null) return [];
  try {
    return LinkHeader.parse(header).refs;
  } catch {
    // A header that is no list of links says nothing.
    return [];
  }
}
