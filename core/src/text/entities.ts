import { DecodingMode, EntityDecoder, htmlDecodeTree } from 'entities/decode';

/**
 * An attribute value as a browser understands it, each of its characters with the place
 * where it stands in the code.
 */
export interface DecodedText {
  text: string;
  /**
   * `at[i]` is the offset (within the raw value) where the i-th code unit of `text` begins; at least one more
   * entry, for the end.
   */
  at: ArrayLike<number>;
}

/**
 * Decodes the character references of a raw attribute value (HTML, section 13.2.5.72) and
 * remembers where each character came from. Line ends are normalised as the HTML parser does
 * (section 13.2.3.5): CRLF and CR become LF.
 */
export function decodeAttribute(raw: string): DecodedText {
  if (!raw.includes('&') && !raw.includes('\r')) return undecoded(raw);
  // A reference never stands for more code units than it is written with, so nothing is
  // longer than the raw value.
  const at = new Array<number>(raw.length + 1);
  let text = '';
  let length = 0;
  let emitted = '';
  let decoder: EntityDecoder | null = null;
  const take = (piece: string, from: number, step: 0 | 1): void => {
    for (let i = 0; i < piece.length; i++) at[length + i] = from + i * step;
    length += piece.length;
    text += piece;
  };
  for (let i = 0; i < raw.length;) {
    const stop = nextSpecial(raw, i);
    if (stop > i) take(raw.slice(i, stop), i, 1);
    i = stop;
    if (raw[i] === '\r') {
      take('\n', i, 0);
      i += raw[i + 1] === '\n' ? 2 : 1;
    } else if (raw.startsWith('&amp;', i)) {
      // By far the most that stand in addresses: told without the whole tree of names.
      take('&', i, 0);
      i += 5;
    } else if (raw[i] === '&') {
      decoder ??= new EntityDecoder(htmlDecodeTree, (codePoint) => {
        emitted += String.fromCodePoint(codePoint);
      });
      emitted = '';
      decoder.startEntity(DecodingMode.Attribute);
      let consumed = decoder.write(raw, i + 1);
      if (consumed < 0) consumed = decoder.end();
      take(consumed > 0 ? emitted : '&', i, 0);
      i += Math.max(consumed, 1);
    }
  }
  at[length] = raw.length;
  return { text, at };
}

function nextSpecial(raw: string, from: number): number {
  for (let i = from; i < raw.length; i++) {
    const unit = raw.charCodeAt(i);
    if (unit === 38 || unit === 13) return i;
  }
  return raw.length;
}

/** A text in which nothing is to be decoded. */
export const undecoded = (raw: string): DecodedText => ({ text: raw, at: identity(raw.length) });

/* Where nothing is decoded, each character stands where it stands. The list is kept,
   as most values are short. */
let counted: readonly number[] = [0];
function identity(length: number): readonly number[] {
  if (counted.length <= length)
    counted = Array.from({ length: Math.max(length + 1, 2 * counted.length) }, (_, i) => i);
  return counted;
}

/** Escapes a text for an attribute value in double quotes (HTML, section 13.3). */
export function escapeAttribute(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
}

/** Escapes a text for element content. */
export function escapeText(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}
