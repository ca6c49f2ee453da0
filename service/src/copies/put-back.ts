import { chmodSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { openDataFolder } from '../database/folder.ts';
import { startPrivateDatabase } from '../database/private.ts';
import { CannotCopy } from './cannot-copy.ts';
import type { Manifest } from './manifest.ts';
import { loadAndCompare, tablesIn } from './rehearse.ts';
import { readCopy } from './unpack.ts';

/** Where a copy is put back. */
export interface PuttingBack {
  path: string;
  identities: readonly string[];
  /** The data folder: it must not be there, or be empty. */
  into: string;
  /** An empty database elsewhere; without it the data folder gets one of its own. */
  url?: string | undefined;
}

/**
 * Puts a copy back: into a data folder that is only there once all of it is.
 * @throws CannotCopy
 */
export async function putBack({ path, identities, into, url }: PuttingBack): Promise<Manifest> {
  if (existsSync(into) && readdirSync(into).length > 0)
    throw new CannotCopy(`The folder ${into} is not empty. A copy goes into one of its own.`);
  const aside = `${into}.unfinished`;
  rmSync(aside, { recursive: true, force: true });
  mkdirSync(dirname(into), { recursive: true });
  try {
    const folder = openDataFolder(aside);
    let manifest: Manifest;
    if (url !== undefined) {
      await refuseUsed(url);
      manifest = await loadAndCompare(path, identities, url);
    } else {
      const database = await startPrivateDatabase(folder, { durable: true });
      try {
        manifest = await loadAndCompare(path, identities, database.urls.setUp);
      } finally {
        await database.stop();
      }
    }
    await readCopy(path, identities, {
      file: (name, bytes) => Promise.resolve(writeKept(join(aside, name), bytes)),
    });
    rmSync(into, { recursive: true, force: true });
    renameSync(aside, into);
    return manifest;
  } catch (error) {
    rmSync(aside, { recursive: true, force: true });
    throw error;
  }
}

/* A copy brings its tables along, and would take the place of those that are there. */
async function refuseUsed(url: string): Promise<void> {
  const [table] = Object.keys(await tablesIn(url));
  if (table !== undefined)
    throw new CannotCopy(
      `The database is not empty: it has the table ${table}. A copy goes into one of its own.`,
    );
}

function writeKept(path: string, bytes: Buffer): void {
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 });
  writeFileSync(path, bytes, { mode: 0o600 });
  chmodSync(path, 0o600);
}
