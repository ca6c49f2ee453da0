import { totalmem } from 'node:os';

const mebi = 1_048_576;

/**
 * How much of its tables the database keeps in memory, in bytes: an eighth of what the machine has, at least
 * what MariaDB takes by itself. Where a register does not fit in, its answers wait for the disk.
 */
export const bufferPoolSize = (memory: number = totalmem()): number =>
  Math.min(2048 * mebi, Math.max(128 * mebi, Math.floor(memory / 8 / mebi) * mebi));
