import type { LargeFile } from './files.ts';
import type { ProgramRan } from './run-program.ts';

/** What a command talks to: everything outside it is handed in, so that tests need no process. */
export interface Io {
  stdin: () => Promise<string>;
  out: (text: string) => void;
  err: (text: string) => void;
  /** Whether the outputs are terminals, where colours and progress make sense. */
  outIsTerminal: boolean;
  errIsTerminal: boolean;
  /** Width of the terminal, in characters. */
  width: number;
  readFile: (path: string) => Promise<string>;
  /** Writes a file in the place of one that is there. */
  writeFile: (path: string, bytes: Uint8Array) => Promise<void>;
  /** Opens a file without reading all of it. */
  openFile: (path: string) => Promise<LargeFile>;
  /** The files below a folder, or the file itself, whether it is there or not. */
  filesBelow: (path: string) => Promise<string[]>;
  /** Writes a file piece by piece, in the place of one that is there. */
  writeStream: (path: string, from: ReadableStream<Uint8Array>) => Promise<void>;
  /** The names in a folder; null where it is none. */
  readFolder: (path: string) => Promise<string[] | null>;
  /** Asks for a secret without showing it. */
  askSecret: (question: string) => Promise<string>;
  /** Asks somebody at a terminal; null where nobody sits at one. */
  ask: ((question: string) => Promise<string>) | null;
  /** Opens an address for whoever sits at a desktop; null where there is none. */
  open: ((address: string) => Promise<void>) | null;
  /** Runs a program of this machine. */
  program: (name: string, args: readonly string[]) => Promise<ProgramRan>;
  env: Record<string, string | undefined>;
  fetch: typeof globalThis.fetch;
  signal: AbortSignal;
}

/** Whether an error is of the system, with its name (`ENOENT`). */
export const isErrno = (error: unknown): error is NodeJS.ErrnoException =>
  error instanceof Error && 'code' in error;

/**
 * How a command ended: 0 done, 1 done but something needs attention, 2 used wrongly, 3 service or network
 * failed, 4 refused.
 */
export type Exit = 0 | 1 | 2 | 3 | 4;
