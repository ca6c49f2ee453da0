import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';

/**
 * Hands over what comes in once all of it is there, kept in a file of nobody else’s meanwhile: a slow sender
 * holds no transaction open, and however long the work takes, the request has been read.
 */
export async function spooled<T>(
  input: AsyncIterable<Uint8Array>,
  work: (whole: AsyncIterable<Uint8Array>) => Promise<T>,
): Promise<T> {
  // Such a folder is readable by its owner alone (POSIX, mkdtemp).
  const folder = await mkdtemp(join(tmpdir(), 'orbis-'));
  try {
    const file = join(folder, 'register');
    await pipeline(input, createWriteStream(file));
    return await work(createReadStream(file));
  } finally {
    await rm(folder, { recursive: true });
  }
}
