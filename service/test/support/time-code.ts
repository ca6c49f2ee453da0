import { createHmac } from 'node:crypto';

/** The code of an app at a time, worked out as RFC 4226, section 5.3, and RFC 6238, section 4.2, say. */
export function timeCode(base32: string, at: number): string {
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', fromBase32(base32)).update(counter).digest();
  const offset = hash.at(-1)! & 15;
  return String((hash.readUInt32BE(offset) & 0x7f_ff_ff_ff) % 1_000_000).padStart(6, '0');
}

/* RFC 4648, section 6. */
function fromBase32(text: string): Buffer {
  const bits = [...text]
    .map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0'))
    .join('');
  return Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => Number.parseInt(byte, 2)));
}
