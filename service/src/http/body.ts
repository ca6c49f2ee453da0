import express, { type Request, type Response } from 'express';
import { OrbisError } from '@orbis/contract';

const types = ['application/json', 'application/merge-patch+json'];

/* How deep a body may nest: what Orbis takes nests ten deep at most, and parsers run out of stack
   somewhere. */
const deepest = 64;

/**
 * Reads the JSON body of a request, of at most so many bytes. Nothing is unpacked, and nothing is parsed
 * before its size and its depth are known.
 * @throws OrbisError
 */
export async function readBody(request: Request, response: Response, most: number): Promise<unknown> {
  if (!request.is(types))
    throw new OrbisError('unsupported-type', { found: request.get('content-type') ?? null });
  const encoding = request.get('content-encoding');
  if (encoding !== undefined && encoding !== 'identity')
    throw new OrbisError('unsupported-encoding', { found: encoding.slice(0, 40) });
  const bytes = await rawBody(request, response, most);
  if (depthOf(bytes) > deepest) throw new OrbisError('too-deep', { most: deepest });
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)) as unknown;
  } catch {
    throw new OrbisError('not-json');
  }
}

const rawBody = (request: Request, response: Response, most: number): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    express.raw({ limit: most, inflate: false, type: types })(request, response, (error?: unknown) => {
      const type = typeof error === 'object' && error !== null && 'type' in error ? String(error.type) : '';
      if (type === 'entity.too.large') reject(new OrbisError('too-large', { most: sizeInWords(most) }));
      else if (error !== undefined) reject(error instanceof Error ? error : new OrbisError('not-json'));
      else resolve(Buffer.isBuffer(request.body) ? request.body : new Uint8Array());
    });
  });

const sizeInWords = (bytes: number): string =>
  bytes < 1024 * 1024 ? `${Math.round(bytes / 1024)} kB` : `${Math.round(bytes / 1024 / 1024)} MB`;

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
