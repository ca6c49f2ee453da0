import { readdir, readFile, writeFile } from 'node:fs/promises';
import { filesBelow, openFile, orbis, runProgram, writeStream, type Exit, type Io } from '@orbis/cli';

export interface Ran {
  exit: Exit;
  out: string;
  err: string;
}

/** Runs a command line in this process, as if typed where nobody looks at a terminal. */
export async function run(
  args: readonly string[],
  {
    stdin = '',
    env = {},
    answers,
    signal = new AbortController().signal,
  }: { stdin?: string; env?: Record<string, string>; answers?: string[]; signal?: AbortSignal } = {},
): Promise<Ran> {
  let out = '';
  let err = '';
  const io: Io = {
    stdin: () => Promise.resolve(stdin),
    out: (text) => void (out += text),
    err: (text) => void (err += text),
    outIsTerminal: false,
    errIsTerminal: false,
    width: 100,
    readFile: (path) => readFile(path, 'utf8'),
    writeFile,
    openFile,
    filesBelow,
    writeStream,
    readFolder: (path) => readdir(path).catch(() => null),
    askSecret: () => Promise.resolve(stdin),
    ask: answers
      ? (question) => {
          err += question;
          return Promise.resolve(answers.shift() ?? '');
        }
      : null,
    open: null,
    program: (name, words) => runProgram(name, words, signal),
    env,
    fetch: globalThis.fetch,
    signal,
  };
  const exit = await orbis(args, io);
  return { exit, out, err };
}

/** Runs command lines as they are typed, words in double quotes together, against a service. */
export const typedAt =
  ({ url, token }: { url: string; token: string }) =>
  (line: string, stdin?: string): Promise<Ran> =>
    run(
      line.match(/"[^"]*"|\S+/g)!.map((word) => word.replaceAll('"', '')),
      { env: { ORBIS_URL: url, ORBIS_TOKEN: token }, ...(stdin === undefined ? {} : { stdin }) },
    );
