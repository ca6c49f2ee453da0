import LinkHeader from 'http-link-header';
import { attribute, parseMarkup } from '../text/index.ts';
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

/**
 * The oEmbed answers that a page offers (oEmbed 1.0, section 4): by its `link` elements, and by its `Link` header (RFC
 * 8288). In the order in which they are said, those of the header first.
 */
export function discoverOembed({ html, linkHeader, base }: { html: string; linkHeader: string | null; base: string }): OembedEndpoint[] {
  const found: OembedEndpoint[] = [];
  const add = (rel: string | null | undefined, type: string | null | undefined, href: string | null | undefined): void => {
    const format = formats.get(type?.split(';')[0]!.trim().toLowerCase() ?? '');
    const alternate = rel?.toLowerCase().split(/\s+/).includes('alternate') ?? false;
    if (!format || !alternate || !href || !URL.canParse(href, base)) return;
    const url = new URL(href, base);
    if (/^https?:$/.test(url.protocol) && !found.some((known) => known.href === url.href)) found.push({ href: url.href, format });
  };
  for (const { rel, type, uri } of parsed(linkHeader)) add(rel, type, uri);
  for (const element of parseMarkup(html).elements) if (element.name === 'link') add(attribute(element, 'rel'), attribute(element, 'type'), attribute(element, 'href'));
  return found;
}

function parsed(header: string | null): { rel?: string; type?: string; uri: string }[] {
  if (header === null) return [];
  try {
    return LinkHeader.parse(header).refs as { rel?: string; type?: string; uri: string }[];
  } catch {
    // A header that is no list of links says nothing.
    return [];
  }
}
