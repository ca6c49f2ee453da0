import { DecodingMode, EntityDecoder, htmlDecodeTree } from 'entities/decode';

/** An attribute value as a browser understands it, each of its characters with the place where it stands in the code. */
export interface DecodedText {
  text: string;
  /** `at[i]` is the offset (within the raw value) where the i-th code unit of `text` begins; at least one more entry, for the end. */
  at: readonly number[];
}

/**
 * Decodes the character references of a raw attribute value (HTML, section 13.2.5.72) and remembers where each
 * character came from. Line ends are normalised as the HTML parser does (section 13.2.3.5): CRLF and CR become LF.
 */
export function decodeAttribute(raw: string): DecodedText {
  if (!raw.includes('&') && !raw.includes('\r')) return { text: raw, at: identity(raw.length) };
  let text = '';
  const at: number[] = [];
  const push = (piece: string, from: number): void => {
    for (let i = 0; i < piece.length; i++) at.push(from);
    text += piece;
  };
  let emitted = '';
  const decoder = new EntityDecoder(htmlDecodeTree, (codePoint) => {
    emitted += String.fromCodePoint(codePoint);
  });
  for (let i = 0; i < raw.length;) {
    const unit = raw[i]!;
    if (unit === '&') {
      emitted = '';
      decoder.startEntity(DecodingMode.Attribute);
      let consumed = decoder.write(raw, i + 1);
      if (consumed < 0) consumed = decoder.end();
      if (consumed > 0) {
        push(emitted, i);
        i += consumed;
        continue;
      }
    }
    if (unit === '\r') {
      push('\n', i);
      i += raw[i + 1] === '\n' ? 2 : 1;
      continue;
    }
    push(unit, i);
    i++;
  }
  at.push(raw.length);
  return { text, at };
}

/* Where nothing is decoded, each character stands where it stands. The list is kept, as most values are short. */
let counted: readonly number[] = [0];
function identity(length: number): readonly number[] {
  if (counted.length <= length) counted = Array.from({ length: Math.max(length + 1, 2 * counted.length) }, (_, i) => i);
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
