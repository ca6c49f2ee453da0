import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** A file of the data folder, by its path within it. */
export interface KeptFile {
  path: string;
  bytes: Buffer;
}

/* What is not in the database: keys and the pictures of looks. Caches are made anew. */
const folders = ['keys', 'looks'] as const;

/** The key by which this machine reads its own encrypted copies: it is in none of them. */
export const ownIdentityFile = 'keys/copies-identity';

/** Whether a path is one of those that copies have: nothing in a copy leads out of the data folder. */
export const isKeptPath = (path: string): boolean =>
  /^(?:keys|looks)(?:\/[\w.-]+)+$/.test(path) && !path.split('/').some((step) => /^\.+$/.test(step));

/** The files of a data folder that a copy has, one at a time; one that goes meanwhile is left out. */
export async function* keptFiles(root: string): AsyncGenerator<KeptFile> {
  for (const folder of folders) {
    const names = await readdir(join(root, folder), { recursive: true, withFileTypes: true }).catch(() => []);
    for (const entry of names) {
      if (!entry.isFile()) continue;
      const path = join(entry.parentPath, entry.name).slice(root.length + 1);
      if (path === ownIdentityFile || !isKeptPath(path)) continue;
      const bytes = await readFile(join(root, path)).catch(() => null);
      if (bytes) yield { path, bytes };
    }
  }
}

export const digestOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
