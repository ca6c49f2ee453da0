import { pipeline, type Readable } from 'node:stream';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import { FetchFailure } from './failure.ts';

/** What is said to be understood; what else comes is refused. */
export const acceptedEncodings = 'gzip, deflate, br';

const unpacking: Record<string, () => NodeJS.ReadWriteStream & Readable> = {
  'gzip': createGunzip,
  'x-gzip': createGunzip,
  'deflate': createInflate,
  'br': createBrotliDecompress,
};

/**
 * The body of an answer as it was before it was packed (RFC 9110, section 8.4). One that ends before its end
 * is an error, and no shorter page.
 * @throws FetchFailure where it is packed in a way that is not understood.
 */
export function unpacked(body: Readable, encoding: string | null, url: URL): AsyncIterable<Uint8Array> {
  let stream: Readable = body;
  const names = (encoding ?? '')
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== '' && name !== 'identity');
  const refuse = (why: string): never => {
    // Nobody will read it: the connection is let go of at once.
    body.destroy();
    throw new FetchFailure(why, 'Have the site’s server mended.');
  };
  if (names.length > 2) refuse(`${url.host} packs its answer ${names.length} times over.`);
  for (const name of names.reverse()) {
    const make = Object.hasOwn(unpacking, name) ? unpacking[name] : undefined;
    if (!make)
      return refuse(`${url.host} packs its answer in a way that Orbis does not know (${name.slice(0, 20)}).`);
    // Whoever reads gets the error; nobody else needs to hear of it.
    stream = pipeline(stream, make(), () => undefined);
  }
  return stream;
}

/** Reads a body up to so many bytes: a larger one is refused, or cut where its beginning is enough. */
export async function limited(
  body: AsyncIterable<Uint8Array>,
  most: number,
  keep: boolean,
  url: URL,
): Promise<{ chunks: Uint8Array[]; cut: boolean }> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of body) {
    size += chunk.byteLength;
    // Leaving the loop lets go of the connection.
    if (size > most && keep)
      return { chunks: [...chunks, chunk.subarray(0, chunk.byteLength - (size - most))], cut: true };
    if (size > most)
      throw new FetchFailure(
        `${url.host} sends more than ${most / 1e6} MB, which is no page.`,
        'Give the address of a page.',
      );
    chunks.push(chunk);
  }
  return { chunks, cut: false };
}
