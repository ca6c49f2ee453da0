import type { OembedFormat } from './oembed.ts';

/** The address that asks an oEmbed endpoint about a link (oEmbed 1.0, section 2.2); an endpoint with `{format}` in its path has it filled in. */
export function oembedAddress(endpoint: string, link: string, { format, maxWidth }: { format: OembedFormat; maxWidth?: number }): string {
  const inPath = endpoint.includes('{format}');
  const url = new URL(endpoint.replaceAll('{format}', format));
  url.searchParams.set('url', link);
  if (!inPath) url.searchParams.set('format', format);
  if (maxWidth !== undefined) url.searchParams.set('maxwidth', String(maxWidth));
  return url.href;
}
