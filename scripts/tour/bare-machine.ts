// A bare Debian 12 in a folder, which runs with a systemd of its own.
import { spawn, spawnSync } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';

const boot = fileURLToPath(new URL('boot.sh', import.meta.url));

/* Where the kernel's second form of control groups stands, on machines of either form. */
const groups = ['/sys/fs/cgroup/unified', '/sys/fs/cgroup'];

/** What came of a command there. */
export interface Outcome {
  status: number | null;
  stdout: string;
  stderr: string;
}

/** A machine in a folder that runs. */
export interface BareMachine {
  /** Runs lines of shell there, as root. */
  inside(lines: string, input?: string): Outcome;
  stop(): Promise<void>;
}

/** Makes a bare Debian in a folder, unless it is there, and puts this Node into it. */
export function makeBareMachine(folder: string): void {
  if (!existsSync(join(folder, 'etc/debian_version'))) {
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const { status, stdout } = spawnSync('debootstrap', ['bookworm', folder], { encoding: 'utf8' });
    if (status !== 0) throw new Error(`debootstrap failed: ${stdout?.slice(-500) ?? 'it is not installed'}`);
  }
  cpSync(process.execPath, join(folder, 'usr/local/bin/node'));
}

/** Starts that machine: processes, mounts and control groups are its own, the network is this machine's. */
export async function startBareMachine(folder: string): Promise<BareMachine> {
  const under = groups.find((each) => existsSync(join(each, 'cgroup.procs')));
  if (under === undefined) throw new Error('This kernel has no control groups of the second form.');
  const group = join(under, `orbis-tour-${process.pid}`);
  mkdirSync(group);
  const child = spawn('sh', [boot, folder, group], { stdio: 'ignore', detached: true });
  const first = await firstProcess(child.pid!);
  const inside: BareMachine['inside'] = (lines, input) =>
    spawnSync('nsenter', [`--target=${first}`, ...entered, 'env', '--chdir=/root', 'sh', '-euc', lines], {
      encoding: 'utf8',
      input,
      env: {
        PATH: '/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin',
        LC_ALL: 'C.UTF-8',
        HOME: '/root',
      },
    });
  for (
    let i = 0;
    i < 100 && /^(?:|initializing|starting)$/.test(inside('systemctl is-system-running').stdout.trim());
    i++
  )
    await wait(200);
  return {
    inside,
    async stop() {
      const ended = new Promise((resolve) => void child.once('exit', resolve));
      process.kill(first, 'SIGKILL');
      await ended;
      // Its processes are still ending.
      for (let i = 0; i < 50 && existsSync(group); i++) {
        await wait(100);
        spawnSync('find', [group, '-depth', '-type', 'd', '-exec', 'rmdir', '{}', ';']);
      }
    },
  };
}

const entered = ['--mount', '--pid', '--uts', '--ipc', '--cgroup', '--root'];

/* The number, on this machine, of the process that is the first one there. */
async function firstProcess(parent: number): Promise<number> {
  for (let i = 0; i < 100; i++) {
    await wait(100);
    const children = readFileSync(`/proc/${parent}/task/${parent}/children`, 'utf8').trim();
    const [first] = children.split(' ');
    if (!first) continue;
    if (readFileSync(`/proc/${first}/comm`, 'utf8').trim() === 'systemd') return Number(first);
  }
  throw new Error('The bare machine does not start.');
}
