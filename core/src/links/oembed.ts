import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { reason, type Reason } from '../reason.ts';
import { escapeAttribute } from '../text/index.ts';

export type OembedFormat = 'json' | 'xml';

/** What a provider answers about one of its links (oEmbed 1.0, section 2.3.4). */
export interface OembedAnswer {
  type: 'photo' | 'video' | 'link' | 'rich';
  title: string | null;
  author: string | null;
  provider: string | null;
  thumbnail: { url: string; width: number | null; height: number | null } | null;
  /** px; given for all but `link`. */
  width: number | null;
  height: number | null;
  /** Of a video or of something rich. */
  html: string | null;
  /** Of a photo: the picture itself. */
  url: string | null;
  /** For how many seconds the answer holds. */
  cacheAge: number | null;
}
export type OembedParsed = { ok: true; answer: OembedAnswer } | { ok: false; reason: Reason };

const types = ['photo', 'video', 'link', 'rich'] as const;
const longest = 100_000;

/** Reads an oEmbed answer, in JSON or XML. What the standard demands and is not there is said. */
export function parseOembed(text: string, format: OembedFormat): OembedParsed {
  const isJson = format === 'json';
  const read = isJson ? fromJson(text) : fromXml(text);
  if (read === null) return { ok: false, reason: reason(isJson ? 'answer-no-json' : 'answer-no-xml') };
  const word = (name: string): string | null => {
    const value = read[name];
    return typeof value === 'string' && value.trim() !== '' && value.length <= longest
      ? value.trim()
      : typeof value === 'number'
        ? String(value)
        : null;
  };
  // Providers write lengths as numbers and as words; 100% is what some say for “as wide as there is room”.
  const length = (name: string): number | null => {
    const value = Number(word(name)?.replace(/px$/, '') ?? NaN);
    return Number.isFinite(value) && value > 0 && value <= 20_000 ? Math.round(value) : null;
  };
  const type = types.find((known) => known === word('type'));
  if (!type) return { ok: false, reason: reason('answer-type-unknown', { type: word('type') ?? '' }) };
  const thumbnail = word('thumbnail_url');
  const answer: OembedAnswer = {
    type,
    title: word('title')?.slice(0, 500) ?? null,
    author: word('author_name')?.slice(0, 200) ?? null,
    provider: word('provider_name')?.slice(0, 200) ?? null,
    thumbnail:
      thumbnail !== null && isWeb(thumbnail)
        ? { url: thumbnail, width: length('thumbnail_width'), height: length('thumbnail_height') }
        : null,
    width: length('width'),
    height: length('height'),
    html: type === 'video' || type === 'rich' ? word('html') : null,
    url: type === 'photo' ? word('url') : null,
    cacheAge: Number(word('cache_age') ?? NaN) >= 0 ? Number(word('cache_age')) : null,
  };
  if ((type === 'video' || type === 'rich') && answer.html === null)
    return { ok: false, reason: reason('answer-without-code', { type }) };
  if (type === 'photo' && (answer.url === null || !isWeb(answer.url)))
    return { ok: false, reason: reason('answer-without-picture') };
  return { ok: true, answer };
}

/** The code that an answer comes to; null for a mere link, which has none. */
export function codeOfOembed({ type, html, url, width, height, title }: OembedAnswer): string | null {
  if (type === 'link') return null;
  if (type !== 'photo') return html;
  const size = [width === null ? '' : ` width="${width}"`, height === null ? '' : ` height="${height}"`].join(
    '',
  );
  return `<img src="${escapeAttribute(url!)}"${size} alt="${escapeAttribute(title ?? '')}" loading="lazy">`;
}

const isWeb = (address: string): boolean =>
  URL.canParse(address) && /^https?:$/.test(new URL(address).protocol);

function fromJson(text: string): Record<string, unknown> | null {
  try {
    const data: unknown = JSON.parse(text);
    return typeof data === 'object' && data !== null && !Array.isArray(data)
      ? (data as Record<string, unknown>)
      : null;
  } catch {
    return null;
  }
}

function fromXml(text: string): Record<string, unknown> | null {
  // Entities of its own could make a small document a very large one: none are needed here.
  if (/<!DOCTYPE|<!ENTITY/i.test(text) || XMLValidator.validate(text) !== true) return null;
  const data = new XMLParser({ ignoreAttributes: true, parseTagValue: false, trimValues: true }).parse(
    text,
  ) as { oembed?: unknown };
  return typeof data.oembed === 'object' && data.oembed !== null
    ? (data.oembed as Record<string, unknown>)
    : null;
}
