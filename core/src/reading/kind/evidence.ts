import { attribute } from '../../text/index.ts';
import { reason, type Reason } from '../../reason.ts';
import type { Kind, Reading } from '../reading.ts';
import type { Clues } from './clues.ts';

/** One row of evidence. */
interface Row {
  /**
   * What it needs to be asked at all: an element of this name, or that there is a file, a permission, a
   * parameter, an address or a size.
   */
  at: { element: string } | 'file' | 'allow' | 'parameters' | 'addresses' | 'size';
  kind: Kind;
  weight: number;
  reason: Reason;
  source: string;
  holds: (clues: Clues) => boolean;
}

type Said = Reading['evidence'][number];

/* Whether one of these words is among those of a code. */
const anyOf = (list: string): ((of: ReadonlySet<string>) => boolean) => {
  const wanted = list.split(' ');
  return (of) => of.size > 0 && wanted.some((word) => of.has(word));
};
const givesLatitude = anyOf('lat latitude');
const givesLongitude = anyOf('lng lon long longitude');
const givesZoom = anyOf('zoom z');
const givesPlace = anyOf('q query center centre place ll bbox marker');

const isPosition = ({ name, value }: Clues['addresses'][number]['parameters'][number]): boolean =>
  /^(?:bbox|ll|cent(?:er|re)|marker|latlng|coords?)$/i.test(name) &&
  /^-?\d{1,3}(?:\.\d+)?,-?\d{1,3}(?:\.\d+)?(?:,|$)/.test(value ?? '');
const isDocument = ({ value }: Clues['addresses'][number]['parameters'][number]): boolean =>
  /\.(?:pdf|docx?|pptx?|xlsx?|odt|odp|epub)$/i.test(value ?? '');
/* A player as wide as its place keeps its height only where there is no picture. */
const isLow = ({ width, height }: Clues): boolean => height <= (Number.isNaN(width) ? 260 : 200);
const isHigh = ({ height }: Clues): boolean => height > 200;
const isWide = ({ width, height }: Clues): boolean => width >= height * 1.2;
const isVideoShape = ({ width, height }: Clues): boolean =>
  Math.abs(width / height - 16 / 9) < 0.03 || Math.abs(width / height - 9 / 16) < 0.02;

const namesPage = /^(?:u|url|href|link|page)$/i;
const saysPage = /^(?:u|url|href|link|page|text|body|message|status|quote|summary|title)$/i;
/* An address that is given another one, of somebody else's, to pass it on. */
const handsOn = ({ use, url, parameters }: Clues['addresses'][number]): boolean =>
  (use === 'frame' || use === 'link') &&
  parameters.some(
    ({ name, value }) =>
      (use === 'link' ? saysPage : namesPage).test(name) &&
      /(?:^|\s)https?:\/\//i.test(value ?? '') &&
      ownName(value ?? '') !== ownName(url),
  );
const ownName = (address: string): string =>
  /\/\/([^/?#:]*)/.exec(address)?.[1]?.toLowerCase().split('.').slice(-2).join('.') ?? '';

/* Sizes that hardly anything else has, and those that other things have too. */
const advertSizes = new Set(['728x90', '160x600', '320x50', '970x250', '300x600', '468x60', '320x100']);
const sharedSizes = new Set(['300x250', '336x280']);

/** Every row of evidence: what it speaks for, how strongly, why, and what it rests on. */
const evidenceRows: readonly Row[] = [
  {
    at: { element: 'video' },
    kind: 'video',
    weight: 8,
    reason: reason('is-video'),
    source: 'HTML, section 4.8.8',
    holds: () => true,
  },
  {
    at: { element: 'audio' },
    kind: 'audio',
    weight: 8,
    reason: reason('is-audio'),
    source: 'HTML, section 4.8.9',
    holds: () => true,
  },
  {
    at: 'file',
    kind: 'video',
    weight: 6,
    reason: reason('video-file'),
    source: 'RFC 2046, section 4.4; usual endings',
    holds: (c) => /^(?:mp4|webm|ogv|mov|m4v|m3u8|mpd|video\/.*)$/.test(c.file),
  },
  {
    at: 'file',
    kind: 'audio',
    weight: 6,
    reason: reason('audio-file'),
    source: 'RFC 2046, section 4.3; usual endings',
    holds: (c) => /^(?:mp3|ogg|oga|wav|m4a|aac|flac|opus|audio\/.*)$/.test(c.file),
  },
  {
    at: 'file',
    kind: 'document',
    weight: 8,
    reason: reason('document-file'),
    source: 'RFC 8118; usual endings',
    holds: (c) => /^(?:pdf|docx?|pptx?|xlsx?|odt|odp|epub|application\/pdf)$/.test(c.file),
  },
  {
    at: 'parameters',
    kind: 'document',
    weight: 6,
    reason: reason('document-file'),
    source: 'RFC 8118; usual endings, where a viewer is told the file',
    holds: (c) => c.addresses.some((a) => a.use === 'frame' && a.parameters.some(isDocument)),
  },
  {
    at: { element: 'form' },
    kind: 'form',
    weight: 8,
    reason: reason('is-form'),
    source: 'HTML, section 4.10.3',
    holds: () => true,
  },
  {
    at: { element: 'input' },
    kind: 'form',
    weight: 2,
    reason: reason('asks-mail'),
    source: 'HTML, section 4.10.5.1.5',
    holds: (c) =>
      c.markup.elements.some((e) => e.name === 'input' && attribute(e, 'type')?.toLowerCase() === 'email'),
  },
  {
    at: 'addresses',
    kind: 'map',
    weight: 5,
    reason: reason('gives-coordinates'),
    source: 'RFC 5870 (WGS 84 degrees)',
    holds: (c) =>
      (givesLatitude(c.parameters) && givesLongitude(c.parameters)) ||
      c.addresses.some(
        (a) => a.url.includes(',') && /[@=/,(]-?\d{1,2}\.\d{3,},\s?-?\d{1,3}\.\d{3,}/.test(a.url),
      ) ||
      c.addresses.some((a) => a.parameters.some(isPosition)),
  },
  {
    at: 'parameters',
    kind: 'map',
    weight: 2,
    reason: reason('has-zoom-and-place'),
    source: 'observed',
    holds: (c) => givesZoom(c.parameters) && givesPlace(c.parameters),
  },
  {
    at: 'allow',
    kind: 'map',
    weight: 3,
    reason: reason('asks-place'),
    source: 'Geolocation, permission "geolocation"',
    holds: (c) => c.allow.has('geolocation'),
  },
  {
    at: 'allow',
    kind: 'video',
    weight: 3,
    reason: reason('asks-to-play'),
    source: 'HTML, permission "autoplay"; Picture-in-Picture',
    holds: (c) =>
      c.allow.has('picture-in-picture') ||
      (c.allow.has('autoplay') && c.allow.has('fullscreen')) ||
      (c.allow.has('autoplay') && c.allow.has('encrypted-media') && isWide(c)),
  },
  {
    at: 'allow',
    kind: 'audio',
    weight: 3,
    reason: reason('asks-to-play-low'),
    source: 'observed',
    holds: (c) => c.allow.has('autoplay') && isLow(c),
  },
  {
    at: 'size',
    kind: 'video',
    weight: 2,
    reason: reason('video-shape'),
    source: 'observed: 16:9 and 9:16',
    holds: (c) =>
      isVideoShape(c) && (c.allow.has('fullscreen') || Boolean(c.main?.attributes.has('allowfullscreen'))),
  },
  {
    at: 'allow',
    kind: 'booking',
    weight: 3,
    reason: reason('asks-payment-for-time'),
    source: 'Payment Request, permission "payment"',
    holds: (c) => c.allow.has('payment') && c.spoken.speaksFor('booking'),
  },
  {
    at: 'allow',
    kind: 'shop',
    weight: 3,
    reason: reason('asks-payment'),
    source: 'Payment Request, permission "payment"',
    holds: (c) => c.allow.has('payment'),
  },
  {
    at: { element: 'dialog' },
    kind: 'popup',
    weight: 5,
    reason: reason('is-dialog'),
    source: 'HTML, section 4.11.4',
    holds: () => true,
  },
  {
    at: { element: 'blockquote' },
    kind: 'feed',
    weight: 4,
    reason: reason('is-quotation'),
    source: 'HTML, section 4.4.4 (blockquote, cite)',
    holds: (c) => c.elements.has('script'),
  },
  {
    at: { element: 'noscript' },
    kind: 'counter',
    weight: 4,
    reason: reason('counts-silently'),
    source: 'observed',
    holds: (c) =>
      c.markup.elements.some(
        (e) =>
          e.name === 'noscript' &&
          e.children.some((child) => child.kind === 'element' && child.name === 'img'),
      ) && !c.elements.has('iframe'),
  },
  {
    at: 'addresses',
    kind: 'share',
    weight: 4,
    reason: reason('page-inside-address'),
    source: 'URL, section 5.1 (a percent-encoded address as a value)',
    holds: (c) => !isHigh(c) && c.addresses.some(handsOn),
  },
  {
    at: 'addresses',
    kind: 'share',
    weight: 4,
    reason: reason('mail-to-nobody'),
    source: 'RFC 6068, section 2 (a mailto: address without a recipient)',
    holds: (c) => c.addresses.some(({ use, url }) => use === 'link' && /^mailto:\?/i.test(url)),
  },
  {
    at: 'size',
    kind: 'advert',
    weight: 4,
    reason: reason('advert-size'),
    source: 'the trade’s common sizes: 728×90, 160×600, 320×50, 970×250, 300×600, 468×60',
    holds: ({ width, height }) => advertSizes.has(`${width}x${height}`),
  },
  {
    at: 'size',
    kind: 'advert',
    weight: 2,
    reason: reason('advert-size'),
    source: 'the trade’s common sizes that games and clips have as well: 300×250, 336×280',
    holds: ({ width, height }) => sharedSizes.has(`${width}x${height}`),
  },
];

const byElement = new Map<string, Row[]>();
for (const row of evidenceRows)
  if (typeof row.at === 'object')
    byElement.set(row.at.element, [...(byElement.get(row.at.element) ?? []), row]);
const rowsAt = (at: Row['at']): Row[] => evidenceRows.filter((row) => row.at === at);
const [atFile, atAllow, atParameters, atAddresses, atSize] = [
  rowsAt('file'),
  rowsAt('allow'),
  rowsAt('parameters'),
  rowsAt('addresses'),
  rowsAt('size'),
];

/** Everything that speaks for a kind, the strongest first. */
export function evidenceIn(clues: Clues): Said[] {
  const out: Said[] = [...clues.spoken.said()];
  const ask = (rows: readonly Row[]): void => {
    for (const { kind, weight, reason, holds } of rows) if (holds(clues)) out.push({ kind, weight, reason });
  };
  for (const name of clues.elements) {
    const rows = byElement.get(name);
    if (rows) ask(rows);
  }
  if (clues.file !== '') ask(atFile);
  if (clues.allow.size > 0) ask(atAllow);
  if (clues.parameters.size > 0) ask(atParameters);
  if (clues.addresses.length > 0) ask(atAddresses);
  if (clues.width > 0) ask(atSize);
  return out.length > 1 ? out.sort((a, b) => b.weight - a.weight) : out;
}
