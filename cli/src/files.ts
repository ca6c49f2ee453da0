import { createReadStream, createWriteStream } from 'node:fs';
import { open, readdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as NodeStream } from 'node:stream/web';

/** A file that may be larger than what is good to have in memory. */
export interface LargeFile {
  /** Its first characters, to know what it is. */
  beginning: string;
  /** How long it is, in bytes. */
  length: number;
  /** All of it, piece by piece. */
  stream: () => ReadableStream<Uint8Array>;
}

/** Opens a file without reading all of it. */
export async function openFile(path: string): Promise<LargeFile> {
  const file = await open(path);
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(200), 0, 200, 0);
    const { size } = await file.stat();
    return {
      beginning: buffer.toString('utf8', 0, bytesRead),
      length: size,
      stream: () => Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>,
    };
  } finally {
    await file.close();
  }
}

/** Writes a file piece by piece: it takes the place of one that is there once all of it has come. */
export async function writeStream(path: string, from: ReadableStream<Uint8Array>): Promise<void> {
  const part = `${path}.part`;
  try {
    await pipeline(Readable.fromWeb(from as NodeStream), createWriteStream(part));
    await rename(part, path);
  } catch (error) {
    await rm(part, { force: true });
    throw error;
  }
}

/* What others made, or what no page stands in. */
const leftAlone = /^(?:\.|node_modules$)/;

/**
 * The files below a folder, in the order of their names; of a file itself alone. Links to elsewhere are not
 * followed, as they may lead in a circle.
 */
export async function filesBelow(path: string): Promise<string[]> {
  const entries = await readdir(path, { withFileTypes: true }).catch(() => null);
  if (entries === null) return [path];
  const below: string[] = [];
  for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    if (leftAlone.test(entry.name)) continue;
    const inside = join(path, entry.name);
    if (entry.isFile()) below.push(inside);
    else if (entry.isDirectory()) below.push(...(await filesBelow(inside)));
  }
  return below;
}
