import type { OembedFormat } from './oembed.ts';

/** How large an answer's code may be, in px (oEmbed 1.0, section 2.2). */
export interface OembedRoom {
  maxWidth?: number;
  maxHeight?: number;
}

/**
 * The address that asks an oEmbed endpoint about a link (oEmbed 1.0, section 2.2); an endpoint with
 * `{format}` in its path has it filled in.
 */
export function oembedAddress(
  endpoint: string,
  link: string,
  { format, ...room }: { format: OembedFormat } & OembedRoom,
): string {
  const inPath = endpoint.includes('{format}');
  const url = new URL(endpoint.replaceAll('{format}', format));
  url.searchParams.set('url', link);
  if (!inPath) url.searchParams.set('format', format);
  return withRoom(url.href, room);
}

/** An address that a page names for questions about itself, with how much room there is. */
export function withRoom(address: string, { maxWidth, maxHeight }: OembedRoom): string {
  if (maxWidth === undefined && maxHeight === undefined) return address;
  const url = new URL(address);
  if (maxWidth !== undefined) url.searchParams.set('maxwidth', String(maxWidth));
  if (maxHeight !== undefined) url.searchParams.set('maxheight', String(maxHeight));
  return url.href;
}
