import { spawn, type ChildProcessByStdio } from 'node:child_process';
import type { Readable, Writable } from 'node:stream';
import { CannotCopy } from './cannot-copy.ts';

/* MariaDB’s own programs, which come with Debian’s mariadb-server. */
export type Program = 'mariadb-dump' | 'mariadb';

/** A program that talks to a database, and its end. */
export interface Talking {
  child: ChildProcessByStdio<Writable, Readable, Readable>;
  /** @throws CannotCopy with its last words, where it did not end well. */
  ended: Promise<void>;
}

/**
 * Starts one of MariaDB’s programs on the database of an address as the driver takes it. The password goes in
 * its environment, which other users of the machine do not see.
 */
export function talkTo(
  url: string,
  program: Program,
  args: readonly string[],
  signal?: AbortSignal,
): Talking {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const socket = searchParams.get('socketPath');
  const child = spawn(
    program,
    [
      '--no-defaults',
      ...(socket === null
        ? [`--host=${hostname}`, `--port=${port || '3306'}`, '--protocol=TCP']
        : [`--socket=${socket}`, '--protocol=SOCKET']),
      `--user=${decodeURIComponent(username)}`,
      '--default-character-set=utf8mb4',
      '--max-allowed-packet=64M',
      ...args,
      decodeURIComponent(pathname.slice(1)),
    ],
    {
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
      ...(signal && { signal }),
    },
  );
  let words = '';
  child.stderr.on('data', (chunk: Buffer) => void (words = (words + chunk.toString()).slice(-2000)));
  // What it says when it ends tells why its input broke off.
  child.stdin.on('error', () => undefined);
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', (error) =>
      reject(
        new CannotCopy(
          'code' in error && error.code === 'ENOENT'
            ? `The program ${program} is missing on this machine: install Debian’s mariadb-client.`
            : `${program}: ${error.message}`,
        ),
      ),
    );
    child.once('close', (status) =>
      status === 0 ? resolve() : reject(new CannotCopy(`${program}: ${lastLine(words)}`)),
    );
  });
  ended.catch(() => undefined);
  return { child, ended };
}

const lastLine = (words: string): string =>
  words
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .at(-1) ?? 'it ended without a word';
