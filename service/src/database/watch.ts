import { setImmediate, setTimeout as wait } from 'node:timers/promises';
import mysql, { type Connection, type ConnectionOptions } from 'mysql2/promise';
import { DatabaseAway } from './errors.ts';
import type { Nodes } from './nodes.ts';

/** Sees whether the database still answers, while anybody waits for it. */
export interface Watch {
  /**
   * Waits for some work as long as the database answers.
   * @param away told before the wait is given up.
   * @throws DatabaseAway within a second of its last answer.
   */
  during<T>(work: Promise<T>, away: () => void): Promise<T>;
  /** @throws DatabaseAway where it does not answer at once. */
  ask(): Promise<void>;
  close(): void;
}

/* In milliseconds: when a wait begins to be looked after, how often, and how long an answer may take.
   Together under a second. */
const [grace, interval, usualPatience] = [100, 100, 700];

/* Asks the database whether it is there, on a connection that nothing else uses. */
interface Probe {
  answers(): Promise<boolean>;
  /** Lets go of the connection. */
  drop(): void;
}

function createProbe(options: ConnectionOptions, patience: number): Probe {
  let connection: Promise<Connection> | null = null;
  const drop = (): void => {
    const dropped = connection;
    connection = null;
    dropped?.then(
      (open) => open.destroy(),
      () => undefined,
    );
  };
  const question = async (): Promise<void> => {
    connection ??= mysql.createConnection({ ...options, connectTimeout: patience }).then((open) => {
      // A connection that is lost while nobody asks is no news.
      open.on('error', drop);
      return open;
    });
    await (await connection).query('DO 1');
  };
  const answers = async (): Promise<boolean> => {
    const said: { answer: boolean | null } = { answer: null };
    const asked = question().then(
      () => (said.answer = true),
      () => (said.answer = false),
    );
    const over = new AbortController();
    await Promise.race([asked, wait(patience, undefined, { signal: over.signal }).catch(() => undefined)]);
    over.abort();
    // Where this process itself was busy for so long, the answer lies there and was only not read yet.
    for (let i = 0; i < 3 && said.answer === null; i++) await setImmediate();
    if (said.answer !== true) drop();
    return said.answer === true;
  };
  return { answers, drop };
}

/* How often it is asked where there are several nodes, in milliseconds: what nobody waits for, such as jobs,
   would stay with a node that says nothing. */
const always = 1000;

/**
 * @param options where the database is. It is asked on a connection that nothing else uses.
 * @param nodes each of them is asked before it is said that nobody answers.
 * @param patience how long an answer of one may take, in milliseconds.
 */
export function createWatch(options: ConnectionOptions, nodes: Nodes, patience = usualPatience): Watch {
  const waiting = new Set<(error: DatabaseAway) => void>();
  const probe = createProbe(options, patience);
  const { drop } = probe;
  const answers = async (): Promise<boolean> => {
    for (let left = nodes.count; left > 0; left--) {
      const node = nodes.current;
      if (await probe.answers()) return true;
      nodes.leave(node);
    }
    return false;
  };
  const timer = nodes.count > 1 ? setInterval(() => void (looking || answers()), always).unref() : undefined;
  let looking = false;
  let closed = false;

  const look = async (): Promise<void> => {
    looking = true;
    for (await wait(grace); waiting.size > 0 && !closed; await wait(interval)) {
      if (await answers()) continue;
      for (const giveUp of waiting) giveUp(new DatabaseAway('the database does not answer'));
    }
    looking = false;
  };

  return {
    during: async (work, away) => {
      // What goes on without anybody waiting has nobody to tell its end to.
      work.catch(() => undefined);
      let stop = (): void => undefined;
      const given = new Promise<never>((_resolve, reject) => {
        const giveUp = (error: DatabaseAway): void => {
          away();
          reject(error);
        };
        waiting.add(giveUp);
        stop = () => void waiting.delete(giveUp);
      });
      if (!looking) void look();
      try {
        return await Promise.race([work, given]);
      } finally {
        stop();
      }
    },
    ask: async () => {
      if (!(await answers())) throw new DatabaseAway('the database does not answer');
    },
    close: () => {
      closed = true;
      clearInterval(timer);
      drop();
    },
  };
}
