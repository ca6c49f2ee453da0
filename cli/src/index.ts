/** What owners type: `orbis` runs one command line with its outputs handed in. */
export type { Exit, Io } from './io.ts';
export { orbis } from './program.ts';
