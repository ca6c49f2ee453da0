import { createReadStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { extract } from 'tar-stream';
import { ageHeader, decrypted } from './age.ts';
import { CannotCopy } from './cannot-copy.ts';
import { digestOf, isKeptPath } from './files.ts';
import { differingTables, manifestSchema, type Manifest, type Tables } from './manifest.ts';
import { createTally } from './tally.ts';

/** What is done with what is in a copy, in its order. */
export interface Taking {
  /** A piece of the register, as SQL. */
  sql?: (bytes: Buffer) => Promise<void>;
  file?: (path: string, bytes: Buffer) => Promise<void>;
}

/* No piece is larger than that: what says that it is, is none of ours. */
const mostPiece = 512 * 1024 * 1024;

/**
 * Reads a copy from its first byte to its last, and sees that it is whole: every row and file that its
 * manifest names is in it, as it was, and nothing else.
 * @throws CannotCopy with what is wrong with it.
 */
export async function readCopy(
  path: string,
  identities: readonly string[],
  { sql, file }: Taking = {},
): Promise<Manifest> {
  const tally = createTally();
  const files = new Map<string, string>();
  let manifest: Manifest | null = null;
  try {
    for await (const { name, bytes } of entriesOf(path, identities)) {
      if (manifest) throw new CannotCopy('There is something behind its end.');
      if (name === 'manifest.json') manifest = parseManifest(bytes);
      else if (isRegister.test(name)) {
        tally.add(bytes);
        await sql?.(bytes);
      } else if (isKeptPath(name)) {
        files.set(name, digestOf(bytes));
        await file?.(name, bytes);
      } else throw new CannotCopy(`“${name.slice(0, 100)}” is nothing that a copy has in it.`);
    }
  } catch (error) {
    if (error instanceof CannotCopy) throw error;
    throw new CannotCopy(`It is damaged: ${(error as Error).message}.`);
  }
  if (!manifest) throw new CannotCopy('It is not whole: its end is missing.');
  refuseOther(manifest, tally.tables(), files);
  return manifest;
}

/* What was read is what the manifest says, and nothing else. */
function refuseOther(manifest: Manifest, tables: Tables, files: ReadonlyMap<string, string>): void {
  const odd = differingTables(manifest.tables, tables);
  if (odd.length > 0) throw new CannotCopy(`Its rows are not as they were written: ${odd.join(', ')}.`);
  const oddFile = manifest.files.find(({ path, digest }) => files.get(path) !== digest);
  if (oddFile || files.size !== manifest.files.length)
    throw new CannotCopy(`Its files are not as they were written: ${oddFile?.path ?? 'there are others'}.`);
}

const isRegister = /^register\/\d{5,9}\.sql$/;

function parseManifest(bytes: Buffer): Manifest {
  const said: unknown = JSON.parse(bytes.toString('utf8'));
  const parsed = manifestSchema.safeParse(said);
  if (parsed.success) return parsed.data;
  const { copy, version } = said as { copy?: unknown; version?: unknown };
  throw new CannotCopy(
    typeof copy === 'number' && copy > 1
      ? `It was made by a newer version of Orbis (${String(version).slice(0, 40)}); this one cannot read it.`
      : 'Its manifest is not one of a copy.',
  );
}

async function* entriesOf(
  path: string,
  identities: readonly string[],
): AsyncGenerator<{ name: string; bytes: Buffer }> {
  const isSecret = await isEncrypted(path);
  const source = createReadStream(path);
  const plain = isSecret ? await decrypted(source, identities) : source;
  const archive = extract();
  const read = pipeline(plain, createGunzip(), archive as unknown as NodeJS.WritableStream);
  read.catch((error: unknown) => archive.destroy(error as Error));
  for await (const entry of archive) {
    const { name, size, type } = entry.header;
    if (type !== 'file' || size > mostPiece)
      throw new CannotCopy(`“${name.slice(0, 100)}” is nothing that a copy has in it.`);
    yield { name, bytes: await bytesOf(entry as AsyncIterable<unknown>) };
  }
  await read;
}

async function bytesOf(entry: AsyncIterable<unknown>): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  for await (const chunk of entry) chunks.push(chunk as Uint8Array);
  return Buffer.concat(chunks);
}

async function isEncrypted(path: string): Promise<boolean> {
  const file = await open(path).catch((error: unknown) => {
    throw new CannotCopy(`${path} cannot be read (${String((error as NodeJS.ErrnoException).code)}).`);
  });
  try {
    const begin = Buffer.alloc(ageHeader.length);
    await file.read(begin, 0, begin.length, 0);
    return begin.toString('latin1') === ageHeader;
  } finally {
    await file.close();
  }
}
