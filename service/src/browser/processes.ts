import { readdirSync, readFileSync } from 'node:fs';

/** The group of processes whose first names this text on its command line; null where there is none. */
export function groupNaming(text: string): number | null {
  for (const pid of pids()) {
    if (!read(`/proc/${pid}/cmdline`).includes(text)) continue;
    const group = groupOf(pid);
    if (group !== null) return group;
  }
  return null;
}

/** How much memory a group of processes has for itself, in bytes; shared pages count by their share. */
export const memoryOf = (group: number): number =>
  pids()
    .filter((pid) => groupOf(pid) === group)
    .reduce((sum, pid) => sum + ownMemory(pid), 0);

/** Ends a group of processes at once. */
export function killGroup(group: number): void {
  try {
    process.kill(-group, 'SIGKILL');
  } catch {
    // It is gone already.
  }
}

const pids = (): number[] =>
  readdirSync('/proc')
    .map(Number)
    .filter((pid) => Number.isInteger(pid) && pid > 0);

/* proc(5): behind the name, which may hold anything, stand state, parent and group. */
function groupOf(pid: number): number | null {
  const stat = read(`/proc/${pid}/stat`);
  const group = Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[2]);
  return Number.isInteger(group) && group > 1 ? group : null;
}

const ownMemory = (pid: number): number =>
  Number(/^Pss:\s+(\d+) kB/m.exec(read(`/proc/${pid}/smaps_rollup`))?.[1] ?? 0) * 1024;

function read(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
}
