import { readXml } from '../text/index.ts';

/** What a site says itself of its pages (Sitemaps protocol 0.9). */
export interface Sitemap {
  /** Whether its addresses are those of pages, or of more such files. */
  kind: 'pages' | 'index';
  /** Whole addresses (http or https), each once, in their order. */
  addresses: string[];
}

/** So many addresses one file may have, by the protocol; no more are read. */
export const mostInSitemap = 50_000;

/** Reads a sitemap, in XML or as a list with one address a line; null where it is neither. */
export function readSitemap(text: string): Sitemap | null {
  const trimmed = text.replace(/^\uFEFF/, '').trim();
  return trimmed.startsWith('<') ? fromXml(trimmed) : fromList(trimmed);
}

function fromXml(text: string): Sitemap | null {
  const { urlset, sitemapindex } = (readXml(text, ['url', 'sitemap']) ?? {}) as {
    urlset?: { url?: Entry[] } | '';
    sitemapindex?: { sitemap?: Entry[] } | '';
  };
  if (urlset !== undefined) return { kind: 'pages', addresses: among((urlset || {}).url) };
  if (sitemapindex !== undefined) return { kind: 'index', addresses: among((sitemapindex || {}).sitemap) };
  return null;
}

interface Entry {
  loc?: unknown;
}

const among = (entries: readonly Entry[] = []): string[] => whole(entries.map(({ loc }) => loc));

function fromList(text: string): Sitemap | null {
  const lines = text
    .split(/[\r\n]/)
    .map((line) => line.trim())
    .filter(Boolean);
  const addresses = whole(lines);
  // One line that is none shows that it is something else.
  return lines.length > 0 && addresses.length > 0 && lines.every(isAddress)
    ? { kind: 'pages', addresses }
    : null;
}

const isAddress = (text: unknown): text is string =>
  typeof text === 'string' && /^https?:\/\//i.test(text) && URL.canParse(text);

const whole = (texts: readonly unknown[]): string[] => [
  ...new Set(
    texts
      .slice(0, mostInSitemap)
      .filter(isAddress)
      .map((text) => new URL(text).href),
  ),
];
