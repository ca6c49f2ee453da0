import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import type { Sheet } from '../sheets/sheet.ts';
import type { Kind, ReadAddress, Reading } from './reading.ts';
import type { ScriptFacts } from './scripts/index.ts';

/** What a row of evidence looks at. */
interface Clues {
  markup: Markup;
  main: MarkupElement | null;
  addresses: readonly ReadAddress[];
  /** Words in addresses' paths, queries and hosts. */
  addressWords: ReadonlySet<string>;
  /** Words in classes, ids, data attributes, names of custom elements and of scripts' globals. */
  nameWords: ReadonlySet<string>;
  /** Words in titles and labels. */
  titleWords: ReadonlySet<string>;
  /** Permissions asked for in `allow`. */
  allow: ReadonlySet<string>;
  /** Ending of the file that the main address leads to, and its stated type. */
  file: string;
}

interface Row {
  kind: Kind;
  weight: number;
  reason: string;
  source: string;
  holds: (clues: Clues) => boolean;
}

const words = (list: string): string[] => list.split(' ');
const anyOf = (set: ReadonlySet<string>, list: readonly string[]): boolean => list.some((word) => set.has(word));

/** Words that providers of a kind use, whatever they are called. */
export const vocabulary: [Kind, string][] = [
  ['video', 'video videos reel clip clips movie film episode stream watch vod livestream webinar trailer player'],
  ['audio', 'audio podcast podcasts track tracks playlist album song songs radio sound sounds music listen'],
  ['map', 'map maps geo route routes directions latlng tiles location locations'],
  ['form', 'form forms survey surveys signup subscribe newsletter optin quiz questionnaire poll contact mailing'],
  ['feed', 'feed feeds timeline post posts status gallery photos photostream stories wall hashtag'],
  ['document', 'document documents doc docs pdf slides slide slideshow presentation flipbook sheet spreadsheet viewer issue magazine'],
  ['booking', 'booking bookings book appointment appointments schedule scheduling scheduler calendar reserve reservation reservations slots availability meeting'],
  ['counter', 'counter counters hits stats analytics tracker visits visitors pageviews badge countdown'],
  ['popup', 'popup popups modal overlay lightbox exitintent slidein popover'],
  ['reviews', 'review reviews testimonial testimonials rating ratings stars feedback'],
  ['shop', 'shop store product products buy cart checkout item items collection price sku merch'],
  ['share', 'share sharing like follow recommend sharer social pin'],
  ['advert', 'ad ads advert adverts banner banners sponsor sponsored adslot adunit adserver campaign'],
];

/* Which kinds a word speaks for. */
const kindsOfWord = new Map<string, Kind[]>();
for (const [kind, list] of vocabulary) for (const word of words(list)) kindsOfWord.set(word, [...(kindsOfWord.get(word) ?? []), kind]);

type Said = Reading['evidence'][number];

/* Where words are looked for, what one there weighs, and what it rests on. */
export const wordPlaces: readonly { of: (clues: Clues) => ReadonlySet<string>; weight: number; where: string; source: string }[] = [
  { of: (clues) => clues.addressWords, weight: 2, where: 'address', source: 'observed: words of the trade in paths and queries' },
  { of: (clues) => clues.nameWords, weight: 2, where: 'names', source: 'observed: words of the trade in classes, ids and data attributes' },
  { of: (clues) => clues.titleWords, weight: 1, where: 'title', source: 'observed: words of the trade in titles' },
];

function spokenBy(clues: Clues): Said[] {
  const out: Said[] = [];
  for (const { of, weight, where } of wordPlaces) {
    const said = new Map<Kind, number>();
    for (const word of of(clues)) for (const kind of kindsOfWord.get(word) ?? []) said.set(kind, (said.get(kind) ?? 0) + 1);
    // Two different words of one trade in one place are hardly chance.
    for (const [kind, times] of said)
      out.push({ kind, weight: times > 1 ? weight + 1 : weight, reason: `its ${where} ${where === 'names' ? 'have' : 'has'} a word of ${trade[kind] ?? `${kind}s`}` });
  }
  return out;
}

const trade: Partial<Record<Kind, string>> = { audio: 'sound', reviews: 'reviews', advert: 'adverts', share: 'sharing', shop: 'shops', booking: 'bookings', popup: 'pop-ups' };

const has = (clues: Clues, name: string): boolean => clues.markup.elements.some((element) => element.name === name);
const param = (clues: Clues, pattern: RegExp): boolean => clues.addresses.some((address) => address.parameters.some((p) => pattern.test(p.name)));

/** Every row of evidence: what it speaks for, how strongly, why, and what it rests on. */
export const evidenceRows: readonly Row[] = [
  { kind: 'video', weight: 8, reason: 'it is a video element', source: 'HTML, section 4.8.8', holds: (c) => has(c, 'video') },
  { kind: 'audio', weight: 8, reason: 'it is an audio element', source: 'HTML, section 4.8.9', holds: (c) => has(c, 'audio') },
  {
    kind: 'video',
    weight: 6,
    reason: 'it leads to a video file',
    source: 'RFC 2046, section 4.4; usual endings',
    holds: (c) => /^(?:mp4|webm|ogv|mov|m4v|m3u8|mpd|video\/.*)$/.test(c.file),
  },
  {
    kind: 'audio',
    weight: 6,
    reason: 'it leads to an audio file',
    source: 'RFC 2046, section 4.3; usual endings',
    holds: (c) => /^(?:mp3|ogg|oga|wav|m4a|aac|flac|opus|audio\/.*)$/.test(c.file),
  },
  {
    kind: 'document',
    weight: 8,
    reason: 'it leads to a document file',
    source: 'RFC 8118; usual endings',
    holds: (c) => /^(?:pdf|docx?|pptx?|xlsx?|odt|odp|epub|application\/pdf)$/.test(c.file),
  },
  { kind: 'form', weight: 8, reason: 'it is a form', source: 'HTML, section 4.10.3', holds: (c) => has(c, 'form') },
  {
    kind: 'form',
    weight: 2,
    reason: 'it asks for a mail address',
    source: 'HTML, section 4.10.5.1.5',
    holds: (c) => c.markup.elements.some((e) => e.name === 'input' && attribute(e, 'type')?.toLowerCase() === 'email'),
  },
  {
    kind: 'map',
    weight: 5,
    reason: 'its address gives latitude and longitude',
    source: 'RFC 5870 (WGS 84 degrees)',
    holds: (c) =>
      (param(c, /^(?:lat|latitude)$/i) && param(c, /^(?:lng|lon|long|longitude)$/i)) || c.addresses.some((a) => /[@=/,(]-?\d{1,2}\.\d{3,},\s?-?\d{1,3}\.\d{3,}/.test(a.url)),
  },
  {
    kind: 'map',
    weight: 2,
    reason: 'it has a zoom and a place',
    source: 'observed',
    holds: (c) => param(c, /^(?:zoom|z)$/i) && param(c, /^(?:q|query|center|centre|place|ll|bbox|marker)$/i),
  },
  { kind: 'map', weight: 3, reason: 'it asks for the visitor’s place', source: 'Geolocation, permission "geolocation"', holds: (c) => c.allow.has('geolocation') },
  {
    kind: 'video',
    weight: 3,
    reason: 'it asks to play by itself or picture in picture',
    source: 'HTML, permission "autoplay"; Picture-in-Picture',
    holds: (c) =>
      c.allow.has('picture-in-picture') || (c.allow.has('autoplay') && c.allow.has('fullscreen')) || (c.allow.has('autoplay') && c.allow.has('encrypted-media') && isWide(c)),
  },
  { kind: 'audio', weight: 2, reason: 'it asks to play by itself and is no higher than a player for sound', source: 'observed', holds: (c) => c.allow.has('autoplay') && isLow(c) },
  {
    kind: 'video',
    weight: 2,
    reason: 'it has the shape of a video and asks to fill the screen',
    source: 'observed: 16:9 and 9:16',
    holds: (c) => isVideoShape(c) && (c.allow.has('fullscreen') || Boolean(c.main?.attributes.has('allowfullscreen'))),
  },
  {
    kind: 'booking',
    weight: 3,
    reason: 'it asks to take payments for a time',
    source: 'Payment Request, permission "payment"',
    holds: (c) => c.allow.has('payment') && anyOf(c.addressWords, words('booking book calendar schedule slots appointment')),
  },
  { kind: 'shop', weight: 3, reason: 'it asks to take payments', source: 'Payment Request, permission "payment"', holds: (c) => c.allow.has('payment') },
  {
    kind: 'feed',
    weight: 4,
    reason: 'it is a quotation of what somebody posted, filled by a script',
    source: 'HTML, section 4.4.4 (blockquote, cite)',
    holds: (c) => has(c, 'blockquote') && has(c, 'script'),
  },
  {
    kind: 'counter',
    weight: 4,
    reason: 'it is a picture of one pixel or a script that writes, with a picture for whoever has no scripts',
    source: 'observed',
    holds: (c) => c.markup.elements.some((e) => e.name === 'noscript' && e.children.some((child) => child.kind === 'element' && child.name === 'img')) && !has(c, 'iframe'),
  },
  {
    kind: 'share',
    weight: 4,
    reason: 'an address of a page is inside its address',
    source: 'URL, section 5.1 (a percent-encoded address as a value)',
    holds: (c) =>
      c.addresses.some(
        (a) => (a.use === 'frame' || a.use === 'link') && a.parameters.some((p) => /^(?:u|url|href|link|page)$/i.test(p.name) && /^https?:\/\//i.test(p.value ?? '')),
      ) && isLow(c),
  },
  {
    kind: 'advert',
    weight: 4,
    reason: 'it has one of the fixed sizes of adverts',
    source: 'the trade’s common sizes: 728×90, 300×250, 160×600, 320×50, 970×250, 300×600, 468×60',
    holds: (c) => ['728x90', '300x250', '160x600', '320x50', '970x250', '300x600', '468x60', '320x100', '336x280'].includes(sides(c)),
  },
];

const side = (element: MarkupElement | null, name: string): number => Number(/^\d+/.exec(element ? (attribute(element, name) ?? '') : '')?.[0] ?? NaN);
const sides = ({ main }: Clues): string => `${side(main, 'width')}x${side(main, 'height')}`;
const isLow = ({ main }: Clues): boolean => side(main, 'height') <= 200;
const isWide = ({ main }: Clues): boolean => side(main, 'width') >= side(main, 'height') * 1.2;
function isVideoShape({ main }: Clues): boolean {
  const ratio = side(main, 'width') / side(main, 'height');
  return Math.abs(ratio - 16 / 9) < 0.03 || Math.abs(ratio - 9 / 16) < 0.02;
}

/* Below this the evidence is too little to name a kind: it may be chance. */
const enough = 3;

/**
 * Weighs the evidence for each kind. Too little, or as much for another kind, is no kind: then it is told what the code
 * is made of, a frame or a picture, or that it is unknown.
 */
export function kindOf(
  markup: Markup,
  main: MarkupElement | null,
  addresses: readonly ReadAddress[],
  sheet: Sheet | null,
  scripts: readonly ScriptFacts[] = [],
): Pick<Reading, 'kind' | 'kindBecause' | 'evidence'> {
  if (sheet) {
    const reason = `its frame's address is one of ${sheet.name}, whose sheet says that it is a ${sheet.kind} provider`;
    return { kind: sheet.kind, kindBecause: sentence(reason), evidence: [{ kind: sheet.kind, weight: 100, reason }] };
  }
  const clues = cluesOf(markup, main, addresses, scripts);
  const evidence = spokenBy(clues);
  for (const { kind, weight, reason, holds } of evidenceRows) if (holds(clues)) evidence.push({ kind, weight, reason });
  evidence.sort((a, b) => b.weight - a.weight);
  const sums = new Map<Kind, number>();
  for (const { kind, weight } of evidence) sums.set(kind, (sums.get(kind) ?? 0) + weight);
  const [best, next] = [...sums].sort((a, b) => b[1] - a[1]);
  if (best && best[1] >= enough && (!next || best[1] > next[1])) {
    const reasons = evidence.filter((row) => row.kind === best[0]).map((row) => row.reason);
    return { kind: best[0], kindBecause: sentence(listed(reasons)), evidence };
  }
  return { ...withoutKind(markup, main, evidence.length > 0), evidence };
}

function withoutKind(markup: Markup, main: MarkupElement | null, some: boolean): Pick<Reading, 'kind' | 'kindBecause'> {
  const little = some ? 'what speaks for a kind is too little, or speaks for another one as well' : 'nothing in it tells what it shows';
  if (main && ['iframe', 'object', 'embed', 'frame'].includes(main.name)) return { kind: 'frame', kindBecause: sentence(`it is a frame, and ${little}`) };
  if (main?.name === 'img' || markup.elements.some((element) => element.name === 'svg')) return { kind: 'image', kindBecause: sentence(`it is a picture, and ${little}`) };
  return { kind: 'unknown', kindBecause: sentence(`it has no frame, player, form or picture of its own, and ${little}`) };
}

function cluesOf(markup: Markup, main: MarkupElement | null, addresses: readonly ReadAddress[], scripts: readonly ScriptFacts[]): Clues {
  const addressWords = new Set<string>();
  const nameWords = new Set<string>();
  const titleWords = new Set<string>();
  const allow = new Set<string>();
  const add = (to: Set<string>, text: string | null): void => {
    if (!text) return;
    for (const word of text
      .slice(0, 2000)
      .replace(/([a-z])([A-Z])/g, '$1 $2')
      .toLowerCase()
      .split(/[^a-z0-9]+/))
      if (word.length > 1) to.add(word);
  };
  for (const address of addresses) {
    if (address.use === 'link' && addresses.length > 1) continue;
    const url = address.url.split(/[?#]/)[0]!;
    add(addressWords, url.replace(/^(?:https?:)?\/\//i, ''));
    for (const { name } of address.parameters) add(addressWords, name);
  }
  for (const { addresses: loaded } of scripts) for (const { url } of loaded) add(addressWords, url.split(/[?#]/)[0]!.replace(/^(?:https?:)?\/\//i, ''));
  for (const element of markup.elements) {
    if (element.name.includes('-')) add(nameWords, element.name);
    for (const name of element.attributes.names()) {
      if (name === 'class' || name === 'id' || name === 'name') add(nameWords, attribute(element, name));
      else if (name.startsWith('data-')) add(nameWords, name.slice(5));
      else if (name === 'title' || name === 'aria-label' || name === 'alt') add(titleWords, attribute(element, name));
      else if (name === 'allow') for (const feature of (attribute(element, name) ?? '').toLowerCase().split(/[;\s]+/)) allow.add(feature);
      else if (name === 'allowfullscreen') allow.add('fullscreen');
    }
  }
  return { markup, main, addresses, addressWords, nameWords, titleWords, allow, file: fileOf(main, addresses) };
}

/* The stated type, else the ending of the path, of what is shown. */
function fileOf(main: MarkupElement | null, addresses: readonly ReadAddress[]): string {
  const type = main && ['object', 'embed', 'source'].includes(main.name) ? attribute(main, 'type') : null;
  if (type && type !== 'text/html') return type.toLowerCase().split(';')[0]!.trim();
  const shown = addresses.find((a) => a.use === 'frame' || a.use === 'media') ?? addresses[0];
  return /\.([a-z0-9]{2,5})$/i.exec(shown?.url.split(/[?#]/)[0] ?? '')?.[1]?.toLowerCase() ?? '';
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
const listed = (reasons: readonly string[]): string => {
  const once = [...new Set(reasons)].slice(0, 4);
  return once.length > 1 ? `${once.slice(0, -1).join(', ')} and ${once.at(-1)}` : once[0]!;
};
