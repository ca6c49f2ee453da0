/** What owners type: `orbis` runs one command line with its outputs handed in. */
export { filesBelow, openFile, writeStream } from './files.ts';
export type { Exit, Io } from './io.ts';
export { everyCommand } from './grammar.ts';
export { makeProgram, orbis } from './program.ts';
export { runProgram } from './run-program.ts';
