import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newIdentity } from './age.ts';
import { ownIdentityFile } from './files.ts';

/**
 * The key by which this machine reads its own encrypted copies back, beside whoever they are for: what is in
 * them is on this machine anyway, and a copy counts only when it was read. It is in no copy.
 */
export async function ownIdentity(root: string): Promise<string> {
  const path = join(root, ownIdentityFile);
  if (!existsSync(path)) {
    const { identity } = await newIdentity();
    writeFileSync(`${path}.new`, `${identity}\n`, { mode: 0o600, flush: true });
    renameSync(`${path}.new`, path);
  }
  return readFileSync(path, 'utf8').trim();
}
