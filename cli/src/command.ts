import type { Command } from 'commander';
import type { Client } from '@orbis/contract';
import type { Exit, Io } from './io.ts';
import type { Colours } from './text.ts';

/** What a command is given to work with. */
export interface Tools {
  io: Io;
  colours: Colours;
  /** The client of the service, made when it is first asked for. */
  client: () => Client;
  json: boolean;
  /** Whether only what was asked for is printed: no notes, no progress, no word that it was done. */
  quiet: boolean;
  /** Prints what was asked for: the interface's own data with `--json`, else the text for people. */
  tell(data: unknown, text: () => string): void;
  /** Says that something was done; with `--json` the data of it. */
  confirm(data: unknown, text: () => string): void;
  /** Says something beside the answer, on standard error. */
  note(text: string): void;
}

/** Runs what a command does. */
export type Run = (action: (tools: Tools) => Promise<Exit>) => Promise<void>;

/** Adds one command, to the program or to a verb. */
export type AddCommand = (program: Command, run: Run) => void;

/** The program's own way of saying that it was used wrongly. */
export class UsedWrongly extends Error {}
