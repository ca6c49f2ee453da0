import { readFileSync } from 'node:fs';

/** The process number in a file, or null. */
export function pidIn(path: string): number | null {
  try {
    const pid = Number(readFileSync(path, 'utf8').trim());
    return Number.isInteger(pid) && pid > 0 ? pid : null;
  } catch {
    return null;
  }
}

/**
 * Whether a process runs whose command line names this; numbers are used again, so the
 * number alone tells nothing.
 */
export function isRunning(pid: number, naming: string): boolean {
  try {
    process.kill(pid, 0);
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(naming);
  } catch {
    return false;
  }
}
