import {
  accessSync,
  chmodSync,
  constants,
  mkdirSync,
  readFileSync,
  renameSync,
  statfsSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { CannotStart } from '../settings.ts';

/** The folders under `ORBIS_DATA`. */
export interface DataFolder {
  root: string;
  database: string;
  cache: string;
  keys: string;
}

/* A database that runs out of space in the middle of its work is worse than one that does not start. */
const leastFree = 64 * 1024 * 1024;

/**
 * Makes the data folder (mode 700).
 * @throws CannotStart where it cannot be made or written, or hardly any space is left.
 */
export function openDataFolder(root: string): DataFolder {
  const folder = {
    root,
    database: join(root, 'database'),
    cache: join(root, 'cache'),
    keys: join(root, 'keys'),
  };
  try {
    for (const path of Object.values(folder)) mkdirSync(path, { recursive: true, mode: 0o700 });
    // Nobody else reads it; whether others may pass through it is for the database's own user to say.
    chmodSync(root, statSync(root).mode & 0o711);
    accessSync(root, constants.W_OK);
    const free = statfsSync(root);
    if (free.bavail * free.bsize < leastFree)
      throw new CannotStart(
        `The disk with the data folder ${root} is full: ${Math.round((free.bavail * free.bsize) / 1e6)} MB are left, and Orbis needs at least 64.`,
      );
    writeFileSync(join(root, '.written'), '', { mode: 0o600 });
  } catch (error) {
    if (error instanceof CannotStart) throw error;
    throw new CannotStart(
      `The data folder ${root} cannot be written (${error instanceof Error ? error.message : String(error)}). Set ORBIS_DATA to a folder that this user may write.`,
    );
  }
  return folder;
}

/**
 * Reads a secret from the keys, or makes it (mode 600) the first time.
 * @param remedy what to do where it is empty or damaged.
 * @throws CannotStart
 */
export function keptSecret(folder: DataFolder, name: string, remedy: string): string {
  const path = join(folder.keys, name);
  let kept: string;
  try {
    kept = readFileSync(path, 'utf8').trim();
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT')
      throw new CannotStart(
        `The key in ${path} cannot be read (${String((error as NodeJS.ErrnoException).code)}).`,
      );
    kept = randomBytes(24).toString('base64url');
    // Whole or not at all, whenever the power goes.
    writeFileSync(`${path}.new`, `${kept}\n`, { mode: 0o600, flush: true });
    renameSync(`${path}.new`, path);
  }
  if (!/^[\w-]{20,}$/.test(kept))
    throw new CannotStart(`The key in ${path} is ${kept === '' ? 'empty' : 'damaged'}. ${remedy}`);
  return kept;
}
