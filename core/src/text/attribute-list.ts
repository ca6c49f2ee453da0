import type { Token } from 'parse5';

/** One attribute, with the exact places of its name and value in the text. */
export interface MarkupAttribute {
  /** In lower case. */
  name: string;
  /** The value as a browser understands it. */
  value: string;
  start: number;
  end: number;
  /** The raw value without its quotes; both equal `end` where the attribute has no value. */
  valueStart: number;
  valueEnd: number;
  quote: '"' | "'" | '';
}

/**
 * The attributes of one start tag, the first of each name. Places are worked out when they are asked for:
 * most attributes of most codes are never looked at.
 */
export class AttributeList {
  readonly #text: string;
  readonly #token: Token.TagToken;
  #names: readonly string[] | null = null;

  constructor(text: string, token: Token.TagToken) {
    this.#text = text;
    this.#token = token;
  }

  /** Names and values, without their places. */
  get entries(): readonly { name: string; value: string }[] {
    return this.#token.attrs;
  }

  get size(): number {
    return this.#token.attrs.length;
  }

  has(name: string): boolean {
    for (const attribute of this.#token.attrs) if (attribute.name === name) return true;
    return false;
  }

  /** The value as a browser understands it, or null where there is no such attribute. */
  value(name: string): string | null {
    for (const attribute of this.#token.attrs) if (attribute.name === name) return attribute.value;
    return null;
  }

  names(): readonly string[] {
    return (this.#names ??= this.#token.attrs.map((attribute) => attribute.name));
  }

  get(name: string): MarkupAttribute | undefined {
    const value = this.value(name);
    const place = value === null ? undefined : this.#token.location?.attrs?.[name];
    return place && locate(this.#text, name, value!, place.startOffset, place.endOffset);
  }

  all(): MarkupAttribute[] {
    return this.names().flatMap((name) => this.get(name) ?? []);
  }
}

function locate(text: string, name: string, value: string, start: number, end: number): MarkupAttribute {
  // A name may begin with `=` (HTML, section 13.2.5.32); the one that ends it comes later.
  const equals = text.indexOf('=', start + 1);
  if (equals < 0 || equals >= end)
    return { name, value, start, end, valueStart: end, valueEnd: end, quote: '' };
  let at = equals + 1;
  while (at < end && ' \t\n\f\r'.includes(text[at]!)) at++;
  const first = text[at];
  const quote = first === '"' || first === "'" ? first : '';
  return { name, value, start, end, valueStart: at + quote.length, valueEnd: end - quote.length, quote };
}
