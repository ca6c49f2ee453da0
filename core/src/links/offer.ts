import XMLBuilder from 'fast-xml-builder';
import type { Kind, Size } from '../reading/reading.ts';
import { escapeAttribute } from '../text/index.ts';
import type { OembedRoom } from './ask.ts';
import type { OembedFormat } from './oembed.ts';

/**
 * What Orbis answers about one of its own links (oEmbed 1.0, section 2.3.4), in the
 * order in which it is written.
 */
export interface OembedOffer {
  version: '1.0';
  type: 'video' | 'rich';
  title: string;
  provider_name: string;
  provider_url: string;
  /** Seconds. */
  cache_age: number;
  thumbnail_url?: string;
  thumbnail_width?: number;
  thumbnail_height?: number;
  html: string;
  width: number;
  height: number;
}

export interface OfferedItem {
  /** The document that is shown. */
  address: string;
  title: string;
  kind: Kind;
  /** Of its code, as far as that says it. */
  size: Size;
  /** px: how wide the spot is that it is for. */
  column: number;
  /** Permissions that the frame hands on (Permissions Policy). */
  allow: readonly string[];
  provider: { name: string; url: string };
  thumbnail: { url: string; width: number | null; height: number | null } | null;
  /** Seconds. */
  cacheAge: number;
}

/* What says nothing of its height is shown in this shape, width over height. */
const usual = 4 / 3;

/** Makes the answer about an item: a frame with its document, no larger than there is room. */
export function offerOembed(
  { address, title, kind, size, column, allow, provider, thumbnail, cacheAge }: OfferedItem,
  { maxWidth = Infinity, maxHeight = Infinity }: OembedRoom,
): OembedOffer {
  const px = (length: Size['width']): number | null =>
    length?.unit === 'px' && length.value > 0 ? length.value : null;
  const [stated, tall] = [px(size.width), px(size.height)];
  let width = Math.min(stated ?? column, maxWidth);
  let height = size.ratio !== null ? width / size.ratio : (tall ?? width / usual);
  if (height > maxHeight) {
    if (size.ratio !== null) width = maxHeight * size.ratio;
    height = maxHeight;
  }
  // A ratio has four decimals only: rounding gives back the whole number of px that it was made of.
  [width, height] = [
    Math.max(1, Math.min(Math.round(width), maxWidth)),
    Math.max(1, Math.min(Math.round(height), maxHeight)),
  ];
  const permissions = allow.length > 0 ? ` allow="${escapeAttribute(allow.join('; '))}"` : '';
  return {
    version: '1.0',
    type: kind === 'video' ? 'video' : 'rich',
    title,
    provider_name: provider.name,
    provider_url: provider.url,
    cache_age: cacheAge,
    ...(thumbnail?.width && thumbnail.height
      ? { thumbnail_url: thumbnail.url, thumbnail_width: thumbnail.width, thumbnail_height: thumbnail.height }
      : {}),
    html: `<iframe src="${escapeAttribute(address)}" width="${width}" height="${height}" title="${escapeAttribute(title)}" loading="lazy"${permissions} style="border:0"></iframe>`,
    width,
    height,
  };
}

/** An answer as it is sent. */
export function writeOembed(offer: OembedOffer, format: OembedFormat): string {
  if (format === 'json') return JSON.stringify(offer);
  const body: string = new XMLBuilder({ format: true, suppressEmptyNode: false }).build({ oembed: offer });
  return `<?xml version="1.0" encoding="utf-8" standalone="yes"?>\n${body}`;
}
