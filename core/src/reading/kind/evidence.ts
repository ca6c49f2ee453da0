import { attribute } from '../../text/index.ts';
import { reason, type Reason } from '../../reason.ts';
import type { Kind, Reading } from '../reading.ts';
import { pathEnd, type Clues } from './clues.ts';
import { kindsOfWord } from './vocabulary.ts';

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

/* Where words are looked for, what one there weighs, and what it rests on. */
const wordPlaces: readonly {
  of: (clues: Clues) => ReadonlySet<string>;
  weight: number;
  where: string;
  source: string;
}[] = [
  {
    of: (clues) => clues.addressWords,
    weight: 2,
    where: 'address',
    source: 'observed: words of the trade in paths and queries',
  },
  {
    of: (clues) => clues.nameWords,
    weight: 2,
    where: 'names',
    source: 'observed: words of the trade in classes, ids and data attributes',
  },
  {
    of: (clues) => clues.titleWords,
    weight: 1,
    where: 'title',
    source: 'observed: words of the trade in titles',
  },
];

function spokenBy(clues: Clues, out: Said[]): void {
  for (const { of, weight, where } of wordPlaces) {
    const found = of(clues);
    if (found.size === 0) continue;
    const said = new Map<Kind, number>();
    for (const word of found)
      for (const kind of kindsOfWord.get(word) ?? []) said.set(kind, (said.get(kind) ?? 0) + 1);
    // Two different words of one trade in one place are hardly chance.
    // Where nothing is shown but what a script fills, its place is called by what will be there.
    const isPlace = where === 'names' && clues.main === null;
    for (const [kind, times] of said)
      out.push({
        kind,
        weight: times > 1 || isPlace ? weight + 1 : weight,
        reason: reason('word-of-trade', { where, kind }),
      });
  }
}

/* Whether one of these words is among those of a code. */
const anyOf = (list: string): ((of: ReadonlySet<string>) => boolean) => {
  const wanted = list.split(' ');
  return (of) => of.size > 0 && wanted.some((word) => of.has(word));
};
/* Words that are hardly said of anything else: where one is a whole step of the address of what is shown, it
   is enough. */
const plainWords = new Map<string, Kind>(
  (
    [
      ['map', 'map maps karte karten carte mapa mappa kaart'],
      [
        'form',
        'form forms survey surveys formular umfrage formulaire sondage formulario encuesta modulo formulier ankieta',
      ],
      [
        'booking',
        'booking bookings appointment appointments reservation reservations buchung buchen reservieren termin rendezvous reserver reserva reservar prenotazione prenota reservering reserveren rezerwacja rezerwuj',
      ],
      [
        'document',
        'slides slideshow present presentation flipbook document folien diaporama presentacion presentazione presentatie prezentacja',
      ],
      ['audio', 'podcast podcasts'],
      ['counter', 'counter hits visits pageviews'],
      ['reviews', 'reviews review bewertungen avis opiniones recensioni opinie avaliacoes'],
      ['feed', 'timeline feed'],
    ] as const
  ).flatMap(([kind, list]) => list.split(' ').map((word) => [word, kind] as const)),
);

function steppedBy({ markup, main, addresses }: Clues, out: Said[]): void {
  if (main === null) return namedBy(markup, out);
  const shown = addresses.find(({ use }) => use === 'frame' || use === 'image');
  if (!shown) return;
  const { url } = shown;
  const from = url.indexOf('/', url.indexOf('//') + 2);
  if (from < 0) return;
  const steps = url
    .slice(from + 1, pathEnd(url))
    .toLowerCase()
    .split('/', 12);
  for (const step of steps) {
    const kind = plainWords.get(step);
    if (kind === undefined || out.some((row) => row.reason.code === 'step-of-trade' && row.kind === kind))
      continue;
    out.push({ kind, weight: 3, reason: reason('step-of-trade', { step, kind }) });
  }
}

/* A place that a script fills is mostly called by what will be there: `data-fern-form`,
   `class="dw-timeline"`. */
function namedBy({ elements }: Clues['markup'], out: Said[]): void {
  for (const { attributes } of elements)
    for (const { name, value } of attributes.entries) {
      const called = name === 'class' ? value : name.startsWith('data-') ? name : '';
      const kind = plainWords.get(lastWord(called));
      if (kind === undefined || out.some((row) => row.reason.code === 'name-of-trade' && row.kind === kind))
        continue;
      out.push({
        kind,
        weight: 2,
        reason: reason('name-of-trade', { name: called.trim().slice(0, 60), kind }),
      });
    }
}

const lastWord = (name: string): string =>
  name
    .slice(-60)
    .toLowerCase()
    .split(/[^a-z]/)
    .findLast((word) => word !== '') ?? '';

const givesLatitude = anyOf('lat latitude');
const givesLongitude = anyOf('lng lon long longitude');
const givesZoom = anyOf('zoom z');
const givesPlace = anyOf('q query center centre place ll bbox marker');
const givesPage = anyOf('u url href link page');
const speaksOfTimes = anyOf('booking book calendar schedule slots appointment');

const isPosition = ({ name, value }: Clues['addresses'][number]['parameters'][number]): boolean =>
  /^(?:bbox|ll|cent(?:er|re)|marker|latlng|coords?)$/i.test(name) &&
  /^-?\d{1,3}(?:\.\d+)?,-?\d{1,3}(?:\.\d+)?(?:,|$)/.test(value ?? '');
const isDocument = ({ value }: Clues['addresses'][number]['parameters'][number]): boolean =>
  /\.(?:pdf|docx?|pptx?|xlsx?|odt|odp|epub)$/i.test(value ?? '');
const isLow = ({ height }: Clues): boolean => height <= 200;
const isHigh = ({ height }: Clues): boolean => height > 200;
const isWide = ({ width, height }: Clues): boolean => width >= height * 1.2;
const isVideoShape = ({ width, height }: Clues): boolean =>
  Math.abs(width / height - 16 / 9) < 0.03 || Math.abs(width / height - 9 / 16) < 0.02;

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
      c.addresses.some((a) => /[@=/,(]-?\d{1,2}\.\d{3,},\s?-?\d{1,3}\.\d{3,}/.test(a.url)) ||
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
    holds: (c) => c.allow.has('payment') && speaksOfTimes(c.addressWords),
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
    at: 'parameters',
    kind: 'share',
    weight: 4,
    reason: reason('page-inside-address'),
    source: 'URL, section 5.1 (a percent-encoded address as a value)',
    holds: (c) =>
      givesPage(c.parameters) &&
      c.addresses.some(
        (a) =>
          (a.use === 'frame' || a.use === 'link') &&
          a.parameters.some(
            (p) => /^(?:u|url|href|link|page)$/i.test(p.name) && /^https?:\/\//i.test(p.value ?? ''),
          ),
      ) &&
      !isHigh(c),
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
  const out: Said[] = [];
  spokenBy(clues, out);
  steppedBy(clues, out);
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
