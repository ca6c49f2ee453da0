import { spawn } from 'node:child_process';
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
export async function installDatabase(folder: DataFolder): Promise<string> {
  const data = join(folder.database, 'data');
  if (existsSync(data)) return data;
  const aside = join(folder.database, 'data.unfinished');
  rmSync(aside, { recursive: true, force: true });
  const { status, printed } = await ran(installer, [
    '--no-defaults',
    `--datadir=${aside}`,
    '--auth-root-authentication-method=normal',
    '--skip-test-db',
    ...(process.getuid?.() === 0 ? ['--user=root'] : []),
  ]);
  if (status !== 0)
    throw new CannotStart(`The database could not be installed in ${data}: ${reasonIn(printed)}`);
  renameSync(aside, data);
  return data;
}

/* Runs a program to its end; this process goes on answering, as a copy is read back beside its work. */
async function ran(
  program: string,
  args: readonly string[],
): Promise<{ status: number | null; printed: string }> {
  const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'] });
  let printed = '';
  for (const output of [child.stdout, child.stderr])
    output.on('data', (chunk: Buffer) => void (printed += chunk.toString()));
  const status = await new Promise<number | null>((resolve) => {
    child.once('error', (error) => {
      printed += error.message;
      resolve(null);
    });
    child.once('close', resolve);
  });
  return { status, printed };
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
