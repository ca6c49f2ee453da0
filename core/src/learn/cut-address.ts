import { decodeAttribute, undecoded, type DecodedText } from '../text/index.ts';
import { Pieces, type Spot } from './pieces.ts';

/** The element and attribute that an address stands in. */
type AddressTarget = Pick<Spot, 'element' | 'attribute'>;

/**
 * Cuts an address into pieces: scheme, host and port, the steps of its path, its parameters and its fragment.
 * `from` and `to` are where it stands in the text of `pieces`; a `plain` one stands in no attribute.
 */
export function cutAddress(
  pieces: Pieces,
  text: string,
  [from, to]: readonly [number, number],
  target: AddressTarget,
  plain = false,
): void {
  const raw = text.slice(from, to);
  const decoded = plain ? undecoded(raw) : decodeAttribute(raw);
  const cutter = new AddressCutter(pieces, decoded, from, target);
  cutter.cut();
}

class AddressCutter {
  readonly #pieces: Pieces;
  readonly #url: string;
  readonly #decoded: DecodedText;
  readonly #from: number;
  readonly #holder: AddressTarget;

  constructor(pieces: Pieces, decoded: DecodedText, from: number, target: AddressTarget) {
    this.#pieces = pieces;
    this.#url = decoded.text;
    this.#decoded = decoded;
    this.#from = from;
    this.#holder = target;
  }

  cut(): void {
    const url = this.#url;
    const [, scheme = '', host = ''] = /^(\s*(?:https?:)?)\/\/([^/?#\s]*)/i.exec(url) ?? [];
    let at = 0;
    if (host !== '') {
      this.#value(scheme.length, 'scheme', '', scheme.trim());
      this.#fixed(scheme.length + 2, '//');
      at = scheme.length + 2 + host.length;
      this.#value(at, 'host', '', host.toLowerCase());
    }
    const hash = url.indexOf('#');
    const end = url.trimEnd().length;
    const fragment = hash < 0 ? end : hash;
    const mark = url.indexOf('?');
    const query = mark < 0 || mark > fragment ? fragment : mark;
    this.#path(at, query);
    if (query < fragment) this.#items(query, fragment, 'query', '?');
    if (fragment < end) {
      if (url.indexOf('=', fragment) >= 0) this.#items(fragment, end, 'fragment', '#');
      else {
        this.#fixed(fragment + 1, '#');
        this.#value(end, 'fragment', '', decode(url.slice(fragment + 1, end)));
      }
    }
    this.#fixed(url.length, 'end');
  }

  #path(from: number, to: number): void {
    let step = 0;
    for (let at = from; at < to; step++) {
      if (this.#url[at] === '/') this.#fixed(at + 1, `/${step}`);
      const next = this.#url.indexOf('/', at + 1);
      const end = next < 0 || next > to ? to : next;
      const start = this.#url[at] === '/' ? at + 1 : at;
      if (end > start) this.#value(end, 'path', String(step), decode(this.#url.slice(start, end)));
      at = end;
    }
  }

  #items(from: number, to: number, place: 'query' | 'fragment', opener: string): void {
    this.#fixed(from + 1, opener);
    for (let at = from + 1; at <= to;) {
      const joint = this.#url.indexOf('&', at);
      const end = joint < 0 || joint > to ? to : joint;
      const equals = this.#url.indexOf('=', at);
      const split = equals < 0 || equals > end ? end : equals;
      const name = decode(this.#url.slice(at, split));
      this.#fixed(Math.min(split + 1, end), `${opener}${name}`);
      if (end > at)
        this.#value(
          end,
          place,
          name,
          split === end ? '' : decode(this.#url.slice(split + 1, end).replaceAll('+', ' ')),
        );
      if (end < to) this.#fixed(end + 1, '&');
      at = end + 1;
    }
  }

  #fixed(end: number, what: string): void {
    this.#pieces.upTo(this.#from + this.#decoded.at[end]!, `${this.#context()} ${what}`);
  }

  #value(end: number, place: Spot['in'], name: string, value: string): void {
    const sign = place === 'query' ? '?' : place === 'fragment' ? '#' : place === 'path' ? '/' : `${place} `;
    this.#pieces.spot(
      this.#from + this.#decoded.at[end]!,
      { key: `${this.#context()} ${sign}${name}`, ...this.#holder, in: place, name },
      value,
    );
  }

  #context = (): string => [this.#holder.element, this.#holder.attribute].filter(Boolean).join(' ');
}

function decode(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    // A stray `%` stays as it is written.
    return text;
  }
}
