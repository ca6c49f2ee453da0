import type { Logger } from 'pino';
import { isAway } from '../database/errors.ts';
import type { Runner } from './runner.ts';

/* How often a process looks for something that another one wrote down or let go of, in ms. */
const tick = 1000;

/** Work on several things at once, each of which one process at a time holds. */
export interface SideBySide<T> {
  /** On so many a process works at once. */
  atOnce: number;
  /** Done before it is looked for something to hold; what fails there does not keep from that. */
  prepare: () => Promise<void>;
  /** Takes something that nobody works on; null where there is nothing. @param held what is held already */
  claim: (held: readonly T[]) => Promise<T | null>;
  /** Works on it until there is nothing more to do, or it is told to stop. */
  work: (held: T, isStopping: () => boolean) => Promise<void>;
  log: Logger;
  /** What the log says where something fails. */
  failed: string;
}

/**
 * Works on several things side by side, so that a slow one holds nobody else up; takes up another when one
 * has ended, and looks for more every second.
 */
export function sideBySide<T>({ atOnce, prepare, claim, work, log, failed }: SideBySide<T>): Runner {
  const held = new Map<T, Promise<void>>();
  let stopping = false;
  let looking: Promise<void> = Promise.resolve();
  let isLooking = false;
  let timer: NodeJS.Timeout | null = null;
  let away = false;

  const complain = (error: unknown): void => {
    // That the database is away is said once, and not every second.
    if (!(away && isAway(error))) log.error({ err: error }, failed);
    away = isAway(error);
  };
  const begin = (one: T): void => {
    const doing = work(one, () => stopping)
      .catch(complain)
      .finally(() => {
        held.delete(one);
        // Whoever waits behind the others comes on at once.
        look();
      });
    held.set(one, doing);
  };
  const fill = async (): Promise<void> => {
    await prepare().catch(complain);
    while (!stopping && held.size < atOnce) {
      const one = await claim([...held.keys()]);
      away = false;
      if (one === null) return;
      begin(one);
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
      await Promise.all(held.values());
    },
  };
}
