import { execFile } from 'node:child_process';

/** What a program of the machine answered. */
export interface ProgramRan {
  /** Null where there is no such program. */
  exit: number | null;
  out: string;
  err: string;
}

/** Runs a program of the machine to its end, without a shell between. @throws where it was broken off. */
export const runProgram = (name: string, args: readonly string[], signal: AbortSignal): Promise<ProgramRan> =>
  new Promise((resolve, reject) => {
    execFile(name, args, { signal, maxBuffer: 8 * 1024 * 1024 }, (error, out, err) => {
      if (signal.aborted) return reject(error ?? new Error('broken off'));
      if (error?.code === 'ENOENT') return resolve({ exit: null, out, err });
      resolve({ exit: error === null ? 0 : typeof error.code === 'number' ? error.code : 1, out, err });
    });
  });
