import type { Logger } from 'pino';
import type { Database } from '../database/connect.ts';
import { isAway } from '../database/errors.ts';
import type { Runner } from '../queue/runner.ts';
import { claimHost, type HeldHost } from '../store/sweep-turns.ts';

/* How often a process looks for a host that another one let go of, in ms. */
const tick = 1000;
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
export function createSweeper(readHost: ReadHost, { db, owner, log, prepare }: SweeperTools): Runner {
  const reading = new Set<Promise<void>>();
  let stopping = false;
  let looking: Promise<void> = Promise.resolve();
  let isLooking = false;
  let timer: NodeJS.Timeout | null = null;
  let away = false;

  const complain = (error: unknown): void => {
    // That the database is away is said once, and not every second.
    if (!(away && isAway(error))) log.error({ err: error }, 'sweeping failed');
    away = isAway(error);
  };
  const begin = (host: HeldHost): void => {
    const work = readHost(host, () => stopping)
      .catch(complain)
      .finally(() => {
        reading.delete(work);
        // Whoever waits behind the eight comes on at once.
        look();
      });
    reading.add(work);
  };
  const fill = async (): Promise<void> => {
    // What was asked for is read all the same.
    await prepare().catch(complain);
    while (!stopping && reading.size < hostsAtOnce) {
      const host = await claimHost(db, owner);
      away = false;
      if (host === null) return;
      begin(host);
    }
  };
  const look = (): void => {
    if (timer) clearTimeout(timer);
    timer = null;
    if (stopping || isLooking) return;
    isLooking = true;
    looking = fill()
      .catch(complain)
      .finally(() => {
        isLooking = false;
        if (!stopping) timer = setTimeout(look, tick);
      });
  };
  return {
    start: look,
    nudge: look,
    stop: async () => {
      stopping = true;
      if (timer) clearTimeout(timer);
      await looking;
      await Promise.all(reading);
    },
  };
}
