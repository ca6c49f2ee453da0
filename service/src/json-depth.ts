/**
 * How deep a JSON text may nest that comes from outside: what Orbis takes nests ten deep at most, and parsers
 * run out of stack somewhere.
 */
export const deepest = 64;

const [quote, backslash, opens, closes] = [0x22, 0x5c, [0x7b, 0x5b], [0x7d, 0x5d]];

/** How deep a JSON text nests, told from its bytes alone (RFC 8259). */
export function depthOf(bytes: Uint8Array): number {
  let [depth, most, inText] = [0, 0, false];
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]!;
    if (inText) {
      if (byte === backslash) i++;
      else if (byte === quote) inText = false;
    } else if (byte === quote) inText = true;
    else if (opens.includes(byte)) most = Math.max(most, ++depth);
    else if (closes.includes(byte)) depth--;
  }
  return most;
}
