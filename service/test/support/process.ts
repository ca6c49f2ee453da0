import { spawn, type ChildProcess } from 'node:child_process';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from 'chai';

const top = new URL('../../../', import.meta.url);

/* As it was built, where nothing was changed since: that starts several times as fast as what is put into
   JavaScript first. */
function program(name: 'main' | 'reset-password' | 'backup' | 'restore'): string[] {
  const built = fileURLToPath(new URL(`service/dist/programs/${name}.mjs`, top));
  if (
    statSync(built, { throwIfNoEntry: false }) &&
    newestSource() <
      (statSync(fileURLToPath(new URL('node_modules/.orbis-build', top)), { throwIfNoEntry: false })
        ?.mtimeMs ?? 0)
  )
    return [built];
  return ['--import=tsx', '--conditions=development', fileURLToPath(new URL(`service/src/${name}.ts`, top))];
}

function newestSource(): number {
  const files = ['core', 'contract', 'sheets', 'service'].flatMap((workspace) => {
    const folder = fileURLToPath(new URL(`${workspace}/src/`, top));
    return readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((name) => join(folder, name));
  });
  return Math.max(...files.map((file) => statSync(file).mtimeMs));
}

/** One of the programs for the server's own machine, run to its end; what it wrote. */
export async function runAtServer(
  name: 'reset-password' | 'backup' | 'restore',
  words: readonly string[],
  env: Record<string, string>,
): Promise<{ status: number | null; out: string; err: string }> {
  const child = spawn(process.execPath, [...program(name), ...words], { env: { ...process.env, ...env } });
  let [out, err] = ['', ''];
  child.stdout.on('data', (chunk: Buffer) => void (out += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => void (err += chunk.toString()));
  return { status: await new Promise((resolve) => child.once('close', resolve)), out, err };
}

/** The program that makes a link for a new password. */
export const runResetPassword = (env: Record<string, string>, ...words: string[]) =>
  runAtServer('reset-password', words, env);

/** Orbis as a process of its own. */
export interface RunningOrbis {
  child: ChildProcess;
  /** Its exit status, once it has ended. */
  ended: Promise<number | null>;
  /** Waits until it has written this to standard error. */
  says(text: string): Promise<void>;
  /** What it has written to standard error, and to its log on standard output. */
  err(): string;
  log(): string;
  /**
   * Where the console is, and the one-time secret for the first password; ready to be
   * asked for once it `says` so.
   */
  link(): { url: string; secret: string };
}

/** Starts it on any free ports, with its own database in the folder unless the settings say otherwise. */
export function runOrbis(data: string, env: Record<string, string> = {}): RunningOrbis {
  const child = spawn(process.execPath, program('main'), {
    env: { ...process.env, ORBIS_DATA: data, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ...env },
  });
  let [err, log] = ['', ''];
  child.stderr.on('data', (chunk: Buffer) => void (err += chunk.toString()));
  child.stdout.on('data', (chunk: Buffer) => void (log += chunk.toString()));
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return {
    child,
    ended,
    err: () => err,
    log: () => log,
    says: async (text) => {
      while (!err.includes(text) && child.exitCode === null && child.signalCode === null)
        await new Promise((resolve) => setTimeout(resolve, 20));
      expect(err).to.include(text);
    },
    link: () => {
      const [, url = '', secret = ''] = /(http:\/\/\S+)\/set-password#(\S+)/.exec(err) ?? [];
      return { url, secret };
    },
  };
}
