import { spawnSync } from 'node:child_process';
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from '../settings.ts';
import type { DataFolder } from './folder.ts';

const installer = '/usr/bin/mariadb-install-db';

/**
 * Makes the database's own tables the first time: beside where they belong, and moved there once they are
 * whole, so that whoever is killed in between begins anew.
 * @returns the folder of the data.
 * @throws CannotStart
 */
export function installDatabase(folder: DataFolder): string {
  const data = join(folder.database, 'data');
  if (existsSync(data)) return data;
  const aside = join(folder.database, 'data.unfinished');
  rmSync(aside, { recursive: true, force: true });
  const { status, stderr, stdout } = spawnSync(
    installer,
    [
      '--no-defaults',
      `--datadir=${aside}`,
      '--auth-root-authentication-method=normal',
      '--skip-test-db',
      ...(process.getuid?.() === 0 ? ['--user=root'] : []),
    ],
    { encoding: 'utf8' },
  );
  if (status !== 0)
    throw new CannotStart(`The database could not be installed in ${data}: ${reasonIn(stdout + stderr)}`);
  renameSync(aside, data);
  return data;
}

/**
 * Why the installer gave up, in what it printed: its errors, of which the last says only that it aborts;
 * where it names none, its last line.
 */
export function reasonIn(printed: string): string {
  const lines = printed
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
  const errors = lines.filter((line) => /\[ERROR\]/.test(line) && !/\[ERROR\] Aborting$/.test(line));
  return errors.length > 0 ? errors.join(' ') : (lines.at(-1) ?? 'no reason given');
}
