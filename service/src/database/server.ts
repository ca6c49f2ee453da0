import { spawn, type ChildProcess } from 'node:child_process';
import { chownSync, closeSync, mkdirSync, openSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { CannotStart } from '../settings.ts';
import type { DataFolder } from './folder.ts';
import { bufferPoolSize } from './pool-size.ts';
import { isRunning, pidIn } from './processes.ts';
import { handOver, type ServerUser } from './server-user.ts';

/** The program, where Debian's `mariadb-server` puts it. */
export const serverProgram = '/usr/sbin/mariadbd';

export interface Launch {
  socket: string;
  user: ServerUser;
  /** What it runs before it lets anybody in, one a line. */
  statements: readonly string[];
  /** Further options. */
  extra: readonly string[];
}

/**
 * Runs the server once and waits until it answers.
 * @throws CannotStart with the last words of its log.
 */
export async function launchServer(
  folder: DataFolder,
  { socket, user, statements, extra }: Launch,
): Promise<ChildProcess> {
  const inside = (name: string): string => join(folder.database, name);
  // Its temporary files are its own: other servers clear the folder that all share when they start.
  for (const name of ['tmp', 'no-files']) {
    rmSync(inside(name), { recursive: true, force: true });
    mkdirSync(inside(name), { mode: 0o700 });
  }
  rmSync(inside('port'), { force: true });
  rmSync(socket, { force: true });
  handOver(folder, user);
  for (const name of ['tmp', 'no-files']) chownSync(inside(name), user.uid, user.gid);
  const init = inside('accounts.sql');
  rmSync(init, { force: true });
  writeFileSync(init, `${statements.join('\n')}\n`, { mode: 0o600 });
  chownSync(init, user.uid, user.gid);
  const output = openSync(logOf(folder), 'w', 0o600);
  const child = spawn(
    serverProgram,
    [
      '--no-defaults',
      `--datadir=${inside('data')}`,
      `--socket=${socket}`,
      '--skip-networking',
      `--pid-file=${inside('mariadb.pid')}`,
      `--init-file=${init}`,
      `--tmpdir=${inside('tmp')}`,
      '--local-infile=0',
      `--secure-file-priv=${inside('no-files')}`,
      '--skip-name-resolve',
      '--default-time-zone=+00:00',
      '--character-set-server=utf8mb4',
      '--collation-server=utf8mb4_unicode_ci',
      '--max-allowed-packet=64M',
      `--innodb-buffer-pool-size=${bufferPoolSize()}`,
      '--sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION',
      ...(user.name === null ? [] : [`--user=${user.name}`]),
      ...extra,
    ],
    // Of its own group, so that Ctrl-C reaches us and not it: it is stopped when its last client is done.
    { stdio: ['ignore', output, output], detached: true },
  );
  closeSync(output);
  const ready = await isReady(child, socket);
  // The passwords in it are known to the server now.
  rmSync(init, { force: true });
  if (ready) return child;
  child.kill('SIGKILL');
  throw new CannotStart(
    `The database in ${folder.database} does not come up. Its log (${logOf(folder)}) ends with: ${lastWords(logOf(folder))}`,
  );
}

/** Where the server writes its log. */
export const logOf = (folder: DataFolder): string => join(folder.database, 'mariadb.log');

/** Has the server put its things in order, and waits for its end. */
export async function endServer(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGTERM');
  // A stopped process hears of nothing until it goes on.
  child.kill('SIGCONT');
  await gone;
}

/**
 * Where Orbis itself was killed, its database may still be running: two servers on one folder would block
 * each other.
 * @throws CannotStart where it does not stop.
 */
export async function stopLeftOver(folder: DataFolder): Promise<void> {
  const data = join(folder.database, 'data');
  const pid = pidIn(join(folder.database, 'mariadb.pid'));
  if (pid === null || !isRunning(pid, data)) return;
  process.kill(pid, 'SIGTERM');
  process.kill(pid, 'SIGCONT');
  for (let i = 0; i < 100 && isRunning(pid, data); i++) await wait(100);
  if (isRunning(pid, data))
    throw new CannotStart(`An earlier database (process ${pid}) still uses ${data} and does not stop.`);
}

/* Ready means that the server's greeting has come, not that the socket is there. */
async function isReady(child: ChildProcess, socket: string): Promise<boolean> {
  for (let i = 0; i < 600 && child.exitCode === null && child.signalCode === null; i++) {
    if (await greeted(socket)) return true;
    await wait(50);
  }
  return false;
}

const greeted = (path: string): Promise<boolean> =>
  new Promise((resolve) => {
    const socket = connect(path);
    const done = (answer: boolean): void => {
      socket.destroy();
      resolve(answer);
    };
    socket.once('data', () => done(true));
    socket.once('error', () => done(false));
    socket.setTimeout(500, () => done(false));
  });

/** The last error in a log that says more than that it gives up. */
export function lastWords(log: string): string {
  try {
    const lines = readFileSync(log, 'utf8').trim().split('\n');
    const errors = lines.filter((line) => line.includes('[ERROR]') && !/\[ERROR\] Aborting\s*$/.test(line));
    return errors.at(-1) ?? lines.at(-1) ?? '(nothing)';
  } catch {
    return '(nothing)';
  }
}
