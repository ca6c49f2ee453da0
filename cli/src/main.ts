import { readdir, readFile, writeFile } from 'node:fs/promises';
import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { text } from 'node:stream/consumers';
import openInBrowser from 'open';
import { filesBelow, openFile, writeStream } from './files.ts';
import { isErrno, type Io } from './io.ts';
import { localFetch } from './loopback.ts';
import { orbis } from './program.ts';
import { runProgram } from './run-program.ts';

const stopped = new AbortController();
process.once('SIGINT', () => {
  stopped.abort();
  process.exitCode = 130;
});

const askAtTerminal = async (question: string): Promise<string> => {
  const lines = createInterface({ input: process.stdin, output: process.stderr });
  const answer = await lines.question(question);
  lines.close();
  return answer.trim();
};

/* What Node says of a terminal is missing where the output goes elsewhere. */
type Terminal = Partial<Pick<typeof process.stdout, 'isTTY' | 'columns'>>;
const [out, err]: [Terminal, Terminal] = [process.stdout, process.stderr];

/* Elsewhere a program that shows pages can be expected. */
const hasDesktop =
  process.platform !== 'linux' || Boolean(process.env['DISPLAY'] ?? process.env['WAYLAND_DISPLAY']);

const io: Io = {
  stdin: () => text(process.stdin),
  out: (written) => void process.stdout.write(written),
  err: (written) => void process.stderr.write(written),
  outIsTerminal: out.isTTY ?? false,
  errIsTerminal: err.isTTY ?? false,
  // A terminal that does not know how wide it is says 0.
  width: Math.min(out.columns === undefined ? 100 : out.columns || 80, 120),
  readFile: (path) => readFile(path, 'utf8'),
  writeFile,
  openFile,
  filesBelow,
  writeStream,
  readFolder: (path) =>
    readdir(path).catch((error: unknown) => {
      if (isErrno(error) && (error.code === 'ENOTDIR' || error.code === 'ENOENT')) return null;
      throw error;
    }),
  askSecret: async (question) => {
    process.stderr.write(question);
    const silent = new Writable({ write: (_chunk, _encoding, done) => done() });
    const lines = createInterface({ input: process.stdin, output: silent, terminal: true });
    const answer = await lines.question('');
    lines.close();
    process.stderr.write('\n');
    return answer;
  },
  ask: process.stdin.isTTY && process.stderr.isTTY ? askAtTerminal : null,
  open: out.isTTY && hasDesktop ? async (address) => void (await openInBrowser(address)) : null,
  program: (name, args) => runProgram(name, args, stopped.signal),
  env: process.env,
  fetch: localFetch(),
  signal: stopped.signal,
};

// A closed pipe (`orbis list embeds | head`) is no failure.
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 3));

orbis(process.argv.slice(2), io).then(
  (exit) => {
    process.exitCode ??= exit;
  },
  (error: unknown) => {
    if (stopped.signal.aborted) return;
    process.stderr.write(`${String(error instanceof Error ? error.stack : error)}\n`);
    process.exitCode = 3;
  },
);
