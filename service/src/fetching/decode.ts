import { TextDecoder as EncodingDecoder } from '@exodus/bytes/encoding.js';
import sniffEncoding from 'html-encoding-sniffer';

/**
 * A page as text, in the encoding that browsers would take: that of its byte-order mark, else of its header,
 * else of its `<meta>`, else windows-1252 (HTML, section 13.2.3.2).
 */
export function decodePage(bytes: Uint8Array, type: string): string {
  const label = charsetOf(type);
  return decode(bytes, sniffEncoding(bytes, label === null ? {} : { transportLayerEncodingLabel: label }));
}

/**
 * Data as text, in the character set that its type names; UTF-8 where it names none (RFC 8259, section 8.1).
 */
export const decodeData = (bytes: Uint8Array, type: string): string =>
  decode(bytes, charsetOf(type) ?? 'utf-8');

const charsetOf = (type: string): string | null => /charset="?([\w:.-]{1,40})/i.exec(type)?.[1] ?? null;

function decode(bytes: Uint8Array, encoding: string): string {
  try {
    // Node’s own takes windows-1252 for ISO 8859-1, which has no curly quotes (Encoding, section 9).
    const Decoder = /^utf-?8$/i.test(encoding) ? TextDecoder : EncodingDecoder;
    return new Decoder(encoding).decode(bytes);
  } catch {
    // A character set that nobody knows.
    return new TextDecoder().decode(bytes);
  }
}
