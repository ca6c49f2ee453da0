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
  /** Prints the interface's own data with `--json`, else the text for people. */
  tell(data: unknown, text: () => string): void;
}

/** Adds one command to the program; `done` says how it ended. */
export type AddCommand = (
  program: Command,
  run: (action: (tools: Tools) => Promise<Exit>) => Promise<void>,
) => void;

/** The program's own way of saying that it was used wrongly. */
export class UsedWrongly extends Error {}
