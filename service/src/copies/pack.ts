import { createWriteStream } from 'node:fs';
import { open, rename, rm, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { pack, type Pack } from 'tar-stream';
import { encrypted } from './age.ts';
import { dumped, inPieces } from './dump.ts';
import { digestOf, keptFiles } from './files.ts';
import type { Manifest } from './manifest.ts';
import { createTally } from './tally.ts';

/** Where a copy is written, and of what. */
export interface Packing {
  /** The file; it is not there before all of it is. */
  path: string;
  /** The database’s address, and the data folder. */
  url: string;
  root: string;
  /** Public age keys of whoever can read it; nobody for a copy that is not encrypted. */
  recipients: readonly string[];
  says: Pick<Manifest, 'version' | 'madeAt' | 'lastChange'>;
  signal?: AbortSignal | undefined;
}

/* The register is parted into pieces of so many bytes: a file in an archive has to say its length first. */
const pieceBytes = 8 * 1024 * 1024;

/**
 * Writes a copy: a tar archive (POSIX pax), compressed (gzip, RFC 1952), encrypted where there are recipients
 * (age). It is written beside its place and put there once it is whole and on the disk.
 * @throws CannotCopy
 */
export async function packCopy(packing: Packing): Promise<{ manifest: Manifest; bytes: number }> {
  const { path, recipients, signal } = packing;
  const partial = `${path}.${process.pid}.part`;
  try {
    const archive = pack();
    const filled = fill(archive, packing).catch((error: unknown) => {
      archive.destroy(error as Error);
      throw error;
    });
    filled.catch(() => undefined);
    const gzip = createGzip();
    const written = pipeline(Readable.from(archive), gzip, { ...(signal && { signal }) });
    written.catch(() => undefined);
    const out = recipients.length === 0 ? gzip : await encrypted(gzip, recipients);
    const stored = pipeline(out, createWriteStream(partial, { mode: 0o600, flush: true }), {
      ...(signal && { signal }),
    });
    const [manifest] = await Promise.all([filled, written, stored]);
    await rename(partial, path);
    await flushFolder(dirname(path));
    return { manifest, bytes: (await stat(path)).size };
  } catch (error) {
    await rm(partial, { force: true });
    throw error;
  }
}

/* Puts everything into the archive, what it says of itself last. */
async function fill(archive: Pack, { url, root, says, signal }: Packing): Promise<Manifest> {
  const tally = createTally();
  let piece = 0;
  for await (const bytes of inPieces(dumped(url, signal), pieceBytes)) {
    tally.add(bytes);
    await add(archive, `register/${String(++piece).padStart(5, '0')}.sql`, bytes);
  }
  const files: Manifest['files'] = [];
  for await (const { path, bytes } of keptFiles(root)) {
    signal?.throwIfAborted();
    await add(archive, path, bytes);
    files.push({ path, bytes: bytes.length, digest: digestOf(bytes) });
  }
  const manifest: Manifest = { copy: 1, ...says, tables: tally.tables(), files };
  await add(archive, 'manifest.json', Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`));
  archive.finalize();
  return manifest;
}

const add = (archive: Pack, name: string, bytes: Buffer): Promise<void> =>
  new Promise((resolve, reject) => {
    archive.entry({ name, mode: 0o600 }, bytes, (error) => (error ? reject(error) : resolve()));
  });

/* A new name in a folder is on the disk once the folder is. */
async function flushFolder(path: string): Promise<void> {
  const folder = await open(path);
  try {
    await folder.sync();
  } finally {
    await folder.close();
  }
}
