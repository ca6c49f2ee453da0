import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const main = fileURLToPath(new URL('../../../service/dist/programs/main.mjs', import.meta.url));

export type Role = 'console' | 'jobs' | 'frames';

/** Where the balancer is, and the processes behind it. */
export const ports = {
  console: 7500,
  frames: 7501,
  of: (role: Role, number: number): number => ({ console: 7510, frames: 7520, jobs: 7530 })[role] + number,
};

/** The processes of an Orbis whose roles have processes of their own. */
export interface Processes {
  start(role: Role, number: number): Promise<void>;
  kill(role: Role, number: number): void;
  /** What a process has said since it was started. */
  said(role: Role, number: number): string;
  /** Processor time of all that run in a role, in milliseconds. */
  cpu(role: Role): number;
  end(): void;
}

/** How processes are started that share one database. */
export function processesOn(database: string, folder: string): Processes {
  const running = new Map<string, { child: ChildProcess; said: string }>();
  const at = (role: Role, number: number): string => `${role}-${number}`;
  return {
    start: async (role, number) => {
      const child = spawn(process.execPath, [main, '--only', role], {
        env: { ...process.env, ...environment(database, join(folder, at(role, number)), role, number) },
        stdio: ['ignore', 'ignore', 'pipe'],
      });
      const own = { child, said: '' };
      running.set(at(role, number), own);
      child.stderr.on('data', (chunk: Buffer) => void (own.said += chunk.toString()));
      while (!/Orbis (?:is running|serves|does)/.test(own.said)) {
        if (child.exitCode !== null) throw new Error(`${at(role, number)} did not start: ${own.said}`);
        await Promise.race([once(child.stderr, 'data'), once(child, 'exit')]);
      }
    },
    kill: (role, number) => void running.get(at(role, number))!.child.kill('SIGKILL'),
    said: (role, number) => running.get(at(role, number))!.said,
    cpu: (role) =>
      [...running]
        .filter(([name, { child }]) => name.startsWith(role) && child.exitCode === null)
        .reduce((sum, [, { child }]) => sum + cpuOf(child.pid!), 0),
    end: () => running.forEach(({ child }) => child.kill('SIGKILL')),
  };
}

const environment = (
  database: string,
  folder: string,
  role: Role,
  number: number,
): Record<string, string> => ({
  ORBIS_DATA: folder,
  ORBIS_DATABASE_URL: database,
  ORBIS_PORT: String(ports.of(role === 'frames' ? 'jobs' : role, number)),
  ORBIS_FRAMES_PORT: String(ports.of('frames', number)),
  ORBIS_PUBLIC_URL: `http://orbis.localhost:${ports.console}`,
  ORBIS_FRAMES_URL: `http://*.frames.localhost:${ports.frames}`,
  ORBIS_TRUST_PROXY: '1',
  ORBIS_ALLOW_PRIVATE: 'yes',
  ORBIS_CHROMIUM: 'none',
  ORBIS_LOG_LEVEL: 'warn',
  ORBIS_ASK_EVERY: '0',
});

/* Of one process with its threads, by the kernel’s hundredths of a second. */
function cpuOf(pid: number): number {
  try {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
    return (Number(fields[11]) + Number(fields[12])) * 10;
  } catch {
    return 0;
  }
}
