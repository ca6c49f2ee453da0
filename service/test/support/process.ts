import { spawn, type ChildProcess } from 'node:child_process';
import { expect } from 'chai';

const main = new URL('../../src/main.ts', import.meta.url).pathname;

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
  /** Where the console is, and the one-time secret for the first password; ready to be asked for once it `says` so. */
  link(): { url: string; secret: string };
}

/** Starts it on any free ports, with its own database in the folder unless the settings say otherwise. */
export function runOrbis(data: string, env: Record<string, string> = {}): RunningOrbis {
  const child = spawn(process.execPath, ['--import=tsx', '--conditions=development', main], {
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
      while (!err.includes(text) && child.exitCode === null && child.signalCode === null) await new Promise((resolve) => setTimeout(resolve, 20));
      expect(err).to.include(text);
    },
    link: () => {
      const [, url = '', secret = ''] = /(http:\/\/\S+)\/set-password#(\S+)/.exec(err) ?? [];
      return { url, secret };
    },
  };
}
