import { mkdirSync, rmSync } from 'node:fs';
import { openDataFolder } from '../database/folder.ts';
import { startPrivateDatabase } from '../database/private.ts';
import { CannotCopy } from './cannot-copy.ts';
import { dumped } from './dump.ts';
import { loadInto } from './load.ts';
import { differingTables, type Manifest, type Tables } from './manifest.ts';
import { oneThatAnswers } from './one-that-answers.ts';
import { createTally } from './tally.ts';
import { readCopy } from './unpack.ts';

/**
 * Puts a copy’s register into a database on the side, which is thrown away, and sees that it is what the copy
 * says: read back from there, every row is as it was.
 * @param folder where that database is, for as long as it takes.
 * @throws CannotCopy
 */
export async function rehearse(
  path: string,
  identities: readonly string[],
  folder: string,
  signal?: AbortSignal,
): Promise<Manifest> {
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  try {
    // Nothing of it is kept, so it need not be safe from a power cut.
    const database = await startPrivateDatabase(openDataFolder(folder), { durable: false });
    try {
      return await loadAndCompare(path, identities, database.urls.setUp, signal);
    } finally {
      await database.stop();
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Loads a copy’s register into an empty database, and reads it back from there.
 * @throws CannotCopy
 */
export async function loadAndCompare(
  path: string,
  identities: readonly string[],
  url: string,
  signal?: AbortSignal,
): Promise<Manifest> {
  // All of it on one node: another one has it a moment later.
  const at = await oneThatAnswers(url);
  const loading = loadInto(at, signal);
  let manifest: Manifest;
  try {
    manifest = await readCopy(path, identities, { sql: (bytes) => loading.sql(bytes) });
    await loading.end();
  } catch (error) {
    loading.leave();
    throw error;
  }
  const odd = differingTables(manifest.tables, await tablesIn(at, signal));
  if (odd.length > 0)
    throw new CannotCopy(`What came back is not what was copied, in these tables: ${odd.join(', ')}.`);
  return manifest;
}

/** What is in a database, as a copy would say it. */
export async function tablesIn(url: string, signal?: AbortSignal): Promise<Tables> {
  const tally = createTally();
  for await (const chunk of dumped(url, signal)) tally.add(chunk);
  return tally.tables();
}
