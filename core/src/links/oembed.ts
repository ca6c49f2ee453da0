import { reason, type Reason } from '../reason.ts';
import { escapeAttribute, readXml } from '../text/index.ts';

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
  const type = types.find((known) => known === wordIn(read, 'type'));
  if (!type)
    return { ok: false, reason: reason('answer-type-unknown', { type: wordIn(read, 'type') ?? '' }) };
  const answer: OembedAnswer = {
    type,
    title: wordIn(read, 'title', 500),
    author: wordIn(read, 'author_name', 200),
    provider: wordIn(read, 'provider_name', 200),
    thumbnail: thumbnailIn(read),
    width: lengthIn(read, 'width'),
    height: lengthIn(read, 'height'),
    html: hasCode(type) ? wordIn(read, 'html') : null,
    url: type === 'photo' ? wordIn(read, 'url') : null,
    cacheAge: ageIn(read),
  };
  const problem = problemOf(answer);
  return problem ? { ok: false, reason: problem } : { ok: true, answer };
}

/* What the standard demands of an answer of its type (section 2.3.4). */
function problemOf({ type, html, url }: OembedAnswer): Reason | null {
  if (hasCode(type) && html === null) return reason('answer-without-code', { type });
  if (type === 'photo' && (url === null || !isWeb(url))) return reason('answer-without-picture');
  return null;
}

type Members = Readonly<Record<string, unknown>>;

const hasCode = (type: OembedAnswer['type']): boolean => type === 'video' || type === 'rich';

function wordIn(read: Members, name: string, most = longest): string | null {
  const value = read[name];
  if (typeof value === 'number') return String(value);
  return typeof value === 'string' && value.trim() !== '' && value.length <= longest
    ? value.trim().slice(0, most)
    : null;
}

/* Providers write lengths as numbers and as words; 100% is what some say for “as wide as there is room”. */
function lengthIn(read: Members, name: string): number | null {
  const value = Number(wordIn(read, name)?.replace(/px$/, '') ?? NaN);
  return Number.isFinite(value) && value > 0 && value <= 20_000 ? Math.round(value) : null;
}

function thumbnailIn(read: Members): OembedAnswer['thumbnail'] {
  const url = wordIn(read, 'thumbnail_url');
  if (url === null || !isWeb(url)) return null;
  return { url, width: lengthIn(read, 'thumbnail_width'), height: lengthIn(read, 'thumbnail_height') };
}

function ageIn(read: Members): number | null {
  const age = Number(wordIn(read, 'cache_age') ?? NaN);
  return age >= 0 ? age : null;
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
  const data = readXml(text);
  return typeof data?.['oembed'] === 'object' && data['oembed'] !== null
    ? (data['oembed'] as Record<string, unknown>)
    : null;
}
