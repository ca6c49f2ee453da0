import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { recipientOf } from './age.ts';
import { CannotCopy } from './cannot-copy.ts';
import { copyName } from './copy-name.ts';
import type { Manifest } from './manifest.ts';
import { ownIdentity } from './own-identity.ts';
import { packCopy } from './pack.ts';

/** Of what a copy is made, and where to. */
export interface CopyWish {
  /** The folder that it goes into. */
  to: string;
  /** The database’s address, and the data folder. */
  url: string;
  root: string;
  /** Public age keys; none for a copy that is not encrypted. */
  recipients: readonly string[];
  version: string;
  /** The newest change there is, by its row. */
  lastChange: number;
  at: Date;
  beforeUpgrade?: boolean;
  signal?: AbortSignal | undefined;
}

/** A copy that was made. */
export interface MadeCopy {
  name: string;
  path: string;
  bytes: number;
  manifest: Manifest;
  /** What reads it back on this machine. */
  identities: readonly string[];
}

/**
 * Makes a copy of everything, while Orbis runs or not.
 * @throws CannotCopy
 */
export async function makeCopy(wish: CopyWish): Promise<MadeCopy> {
  const { to, root, url, recipients, at, beforeUpgrade = false, signal } = wish;
  try {
    mkdirSync(to, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new CannotCopy(
      `The folder ${to} cannot be made (${String((error as NodeJS.ErrnoException).code)}).`,
    );
  }
  const encrypted = recipients.length > 0;
  const name = copyName({ at, beforeUpgrade, encrypted });
  const identities = encrypted ? [await ownIdentity(root)] : [];
  const own = await Promise.all(identities.map(recipientOf));
  const { version, lastChange } = wish;
  const path = join(to, name);
  const says = { version, lastChange, madeAt: at.toISOString() };
  const made = await packCopy({ path, url, root, recipients: [...recipients, ...own], says, signal });
  return { name, path, ...made, identities };
}
