import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CannotStart } from '../settings.ts';

/**
 * Takes the data folder for this process; a second Orbis on the same folder is refused at once.
 * @returns what gives it back.
 */
export function lockFolder(root: string): () => void {
  const path = join(root, 'orbis.pid');
  const holder = pidIn(path);
  if (holder !== null && holder !== process.pid && isRunning(holder, 'node')) {
    throw new CannotStart(`Another Orbis (process ${holder}) is using the data folder ${root}. Stop it first, or set ORBIS_DATA to another folder.`);
  }
  writeFileSync(path, `${process.pid}\n`, { mode: 0o600 });
  return () => rmSync(path, { force: true });
}

/** The process number in a file, or null. */
export function pidIn(path: string): number | null {
  try {
    const pid = Number(readFileSync(path, 'utf8').trim());
    return Number.isInteger(pid) && pid > 0 ? pid : null;
  } catch {
    return null;
  }
}

/** Whether a process runs whose command line names this; numbers are used again, so the number alone tells nothing. */
export function isRunning(pid: number, naming: string): boolean {
  try {
    process.kill(pid, 0);
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(naming);
  } catch {
    return false;
  }
}
