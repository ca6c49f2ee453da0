import type { Logger } from 'pino';
import type { Database } from '../database/connect.ts';
import type { Runner } from '../queue/runner.ts';
import { sideBySide } from '../queue/side-by-side.ts';
import { claimHost, type HeldHost } from '../store/sweep-turns.ts';

/* From so many hosts a process reads at once: most of the time it waits for them. */
const hostsAtOnce = 8;

export interface SweeperTools {
  db: Database;
  /** By this name hosts are held. */
  owner: string;
  log: Logger;
  /** Writes down what has to be read now that nobody has asked for. */
  prepare: () => Promise<void>;
}

/** Reads what sweeps have to read from a host, until there is nothing more or it is told to stop. */
export type ReadHost = (host: HeldHost, isStopping: () => boolean) => Promise<void>;

/**
 * Reads the pages of sweeps from several hosts at once, and from each one after the other: a slow host holds
 * nobody else up. Several processes may share the work, as each host is held by one of them.
 */
export const createSweeper = (readHost: ReadHost, { db, owner, log, prepare }: SweeperTools): Runner =>
  sideBySide({
    ...{ atOnce: hostsAtOnce, prepare, log, failed: 'sweeping failed' },
    claim: () => claimHost(db, owner),
    work: readHost,
  });
