import { readdir, readFile, writeFile } from 'node:fs/promises';
import { createServer, type AddressInfo, type Server } from 'node:net';
import { join, resolve } from 'node:path';
import { filesBelow, openFile, orbis, runProgram, writeStream } from '@orbis/cli';

/**
 * The command line for scripts, without half a second to start it for each command: a function of bash hands
 * its words over here, and writes out what comes back.
 */
export interface Relay {
  /** What defines `orbis` in a script; a status of 1, that something needs a look, does not end it. */
  prelude: string;
  stop(): Promise<void>;
}

/** Runs commands for scripts; what they print goes through files in the folder. */
export async function startRelay(
  folder: string,
  env: Record<string, string>,
  fetch: typeof globalThis.fetch,
): Promise<Relay> {
  const run = async (args: string[], cwd: string): Promise<number> => {
    let [out, err] = ['', ''];
    const status = await orbis(args, {
      stdin: () => Promise.reject(new Error('a block hands nothing over')),
      out: (text) => void (out += text),
      err: (text) => void (err += text),
      outIsTerminal: false,
      errIsTerminal: false,
      width: 100,
      readFile: (path) => readFile(resolve(cwd, path), 'utf8'),
      writeFile: (path, bytes) => writeFile(resolve(cwd, path), bytes),
      openFile: (path) => openFile(resolve(cwd, path)),
      filesBelow: (path) => filesBelow(resolve(cwd, path)),
      writeStream: (path, from) => writeStream(resolve(cwd, path), from),
      readFolder: (path) => readdir(resolve(cwd, path)).catch(() => null),
      askSecret: () => Promise.reject(new Error('a block cannot be asked')),
      ask: null,
      open: null,
      program: (name, words) => runProgram(name, words, new AbortController().signal),
      env,
      fetch,
      signal: new AbortController().signal,
    });
    await writeFile(join(folder, 'out'), out);
    await writeFile(join(folder, 'err'), err);
    return status;
  };
  const server: Server = createServer((socket) => {
    let all = '';
    socket.on('data', (data) => {
      all += data.toString();
      if (!all.endsWith('\0\0')) return;
      const [cwd, ...args] = all.slice(0, -2).split('\0');
      run(args, cwd!).then(
        (status) => socket.end(`${status}\n`),
        () => socket.end('99\n'),
      );
    });
  });
  await new Promise<void>((listening) => server.listen(0, '127.0.0.1', listening));
  const { port } = server.address() as AddressInfo;
  return {
    prelude: `set -eo pipefail
orbis() {
  local status
  exec 3<>/dev/tcp/127.0.0.1/${port}
  printf '%s\\0' "$PWD" "$@" '' >&3
  read -r status <&3
  exec 3>&-
  cat ${join(folder, 'out')}
  cat ${join(folder, 'err')} >&2
  [ "$status" -le 1 ] || exit "$status"
}
`,
    stop: () => new Promise((stopped) => server.close(() => stopped())),
  };
}
