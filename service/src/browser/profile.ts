import { chownSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Debian's user and group that own nothing. */
const nobody = 65_534;
const wrapper = fileURLToPath(new URL('../../bin/chromium-as-nobody', import.meta.url));

/** As whom and with what a browser is started. */
export interface Profile {
  folder: string;
  program: string;
  env: Record<string, string>;
  remove(): void;
}

/** Makes a profile that is thrown away, of the unprivileged user that the browser runs as. */
export function newProfile(chromium: string): Profile {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-browser-'));
  const isRoot = process.getuid?.() === 0;
  if (isRoot) chownSync(folder, nobody, nobody);
  return {
    folder,
    program: isRoot ? wrapper : chromium,
    // Nothing of Orbis's own surroundings: they may hold secrets.
    env: {
      PATH: process.env['PATH'] ?? '/usr/bin:/bin',
      HOME: folder,
      TMPDIR: folder,
      ORBIS_CHROMIUM_AT: chromium,
    },
    remove: () => rmSync(folder, { recursive: true, force: true, maxRetries: 5, retryDelay: 100 }),
  };
}
