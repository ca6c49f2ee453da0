import { setTimeout as wait } from 'node:timers/promises';
import { sql } from 'drizzle-orm';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import mysql, { type PoolOptions, type RowDataPacket } from 'mysql2/promise';
import { CannotStart } from '../settings.ts';
import * as schema from '../store/schema.ts';
import { grantsOfFrames, type Accounts } from './accounts.ts';
import { DatabaseAway, isAway } from './errors.ts';
import { migrate, type MigrateOptions } from './migrate.ts';
import { asWork, createPool, type Work } from './pool.ts';
import { nodesOf, urlsOf, type Nodes, type TellLeft } from './nodes.ts';
import { onAnyNode } from './on-any-node.ts';
import { createWatch } from './watch.ts';

export type Database = MySql2Database<typeof schema>;
/** A database handle or a transaction on it: repositories take either. */
export type Handle = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  db: Database;
  /** The same tables with the rights of the second origin: it reads what frames are made of. */
  frames: Database;
  /** Where it is, and which of its hosts is used. */
  nodes: Nodes;
  /**
   * Does the work of one request.
   * @param caller whose leaving ends its queries; null where they are to be brought to their end.
   * @throws DatabaseAway within a second where the database does not answer.
   */
  during<T>(caller: AbortSignal | null, work: () => Promise<T>): Promise<T>;
  /** @throws DatabaseAway when the database does not answer at once. */
  ping(): Promise<void>;
  close(): Promise<void>;
}

/** What happens where a newer version finds tables of an older one. */
export type Upgrading = Pick<MigrateOptions, 'version' | 'beforeChange' | 'progress'>;

/** Whoever asked has gone: nothing more is asked for them. */
class CallerGone extends Error {
  override name = 'CallerGone';
}

/**
 * Connects to a MariaDB and brings its tables to the newest form; several processes may do so at once.
 * @param urls the private database's accounts, or the address of a database elsewhere, which may name several
 * hosts with commas between them.
 * @param options.patience how long it may take to say that it is there, in milliseconds; see `createWatch`.
 * @param options.tellLeft told whenever one of several hosts is left for the next.
 * @throws CannotStart when it cannot be reached, or refuses us.
 */
export async function connectDatabase(
  urls: string | Accounts<string>,
  {
    patience,
    tellLeft,
    ...upgrading
  }: { patience?: number | undefined; tellLeft?: TellLeft } & Upgrading = {},
): Promise<Connection> {
  const own = typeof urls !== 'string';
  const { setUp, service, frames } = own ? urls : { setUp: urls, service: urls, frames: urls };
  const nodes = nodesOf(setUp, tellLeft);
  const { clustered } = await setUpTables(setUp, nodes, { alone: own, ...upgrading });
  const pools = {
    service: createPool({ ...optionsOf(service, nodes), connectionLimit: 12 }, nodes),
    frames: createPool({ ...optionsOf(frames, nodes), connectionLimit: 6 }, nodes),
  };
  // A query is ended from a connection of its own, by the account that began it. In a cluster that connection
  // may lead to another node, where the same number is somebody else's: there the time limit has to do.
  const ending = clustered
    ? []
    : [service, frames].map((url) => mysql.createPool({ ...optionsOf(url, nodes), connectionLimit: 1 }));
  const watch = createWatch(optionsOf(service, nodes), nodes, patience);
  const endQueries = ({ using }: Work): void => {
    for (const { threadId } of using)
      for (const pool of ending) void pool.query(`KILL QUERY ${threadId}`).catch(() => undefined);
  };
  return {
    db: handle(pools.service, nodes),
    frames: handle(pools.frames, nodes),
    nodes,
    during: duringOf(watch, endQueries),
    ping: () => watch.ask(),
    close: () => closing([...Object.values(pools), ...ending], watch),
  };
}

/** What a process that only serves frames needs of a database. */
export type FramesConnection = Pick<Connection, 'frames' | 'during' | 'close'>;

/**
 * Connects to a database whose tables others make and change, to serve frames from it; the account needs no
 * more rights than that (see `grantsOfFrames`).
 * @param options.mayBeAway whether there is something to do while it cannot be reached; that is told then.
 * @throws CannotStart when it cannot be reached, refuses us, or has no tables of Orbis yet.
 */
export async function connectFrames(
  url: string,
  { mayBeAway, tell, tellLeft }: { mayBeAway: boolean; tell: () => void; tellLeft?: TellLeft },
): Promise<FramesConnection> {
  const nodes = nodesOf(url, tellLeft);
  const options = optionsOf(url, nodes);
  const pool = createPool({ ...options, connectionLimit: 6 }, nodes);
  const watch = createWatch(options, nodes);
  const close = (): Promise<void> => closing([pool], watch);
  const frames = handle(pool, nodes);
  try {
    await frames.execute(sql`SELECT 1 FROM ${schema.served} LIMIT 0`);
  } catch (error) {
    if (!mayBeAway || !isAway(error)) {
      await close();
      throw cannotUse(url, error);
    }
    tell();
  }
  // Its queries are short: they are not worth a connection of their own to end them.
  return { frames, during: duringOf(watch, () => undefined), close };
}

const behind = new WeakMap<Database, Nodes>();

function handle(pool: ReturnType<typeof createPool>, nodes: Nodes): Database {
  const db = drizzle(pool as never, { schema, mode: 'planetscale', casing: 'snake_case' });
  behind.set(db, nodes);
  return db;
}

/** The nodes that a database has. */
export const nodesBehind = (db: Database): Nodes => behind.get(db)!;

const duringOf =
  (watch: ReturnType<typeof createWatch>, endQueries: (work: Work) => void): Connection['during'] =>
  async (caller, run) => {
    const work: Work = { using: new Set(), over: null };
    const leave = (): void => {
      work.over = new CallerGone('whoever asked has gone');
      endQueries(work);
    };
    caller?.addEventListener('abort', leave, { once: true });
    try {
      return await watch.during(asWork(work, run), () => {
        work.over = new DatabaseAway('the database does not answer');
        for (const connection of work.using) connection.destroy();
      });
    } finally {
      caller?.removeEventListener('abort', leave);
    }
  };

async function closing(
  pools: readonly { end(): Promise<unknown> }[],
  watch: ReturnType<typeof createWatch>,
): Promise<void> {
  watch.close();
  const all = pools.map((pool) => pool.end().catch(() => undefined));
  // A database that does not answer takes no leave either.
  await Promise.race([Promise.all(all), wait(1500, undefined, { ref: false })]);
}

function cannotUse(url: string, error: unknown): CannotStart {
  const host = urlsOf(url)
    .map((each) => new URL(each).host)
    .join(', ');
  const cause = error instanceof Error && error.cause ? error.cause : error;
  const { code, message } = cause as { code?: string; message?: string };
  return new CannotStart(
    code === 'ER_NO_SUCH_TABLE'
      ? `The database at ${host} has no tables of Orbis yet: start a process with the console first.`
      : `The database at ${host} cannot be used: ${message ?? String(cause)}`,
  );
}

const optionsOf = (url: string, { open }: Nodes): PoolOptions => ({
  uri: urlsOf(url)[0]!.replace(/^mariadb:/, 'mysql:'),
  ...(open && { stream: open }),
  timezone: 'Z',
  charset: 'utf8mb4_unicode_ci',
  supportBigNumbers: true,
  // In milliseconds; where there is another node to go to, not for long.
  connectTimeout: open ? 2000 : 5000,
  // Files of this machine are nothing that a server may ask for.
  flags: ['-LOCAL_FILES'],
});

async function setUpTables(
  url: string,
  nodes: Nodes,
  options: MigrateOptions,
): Promise<{ clustered: boolean }> {
  const pool = mysql.createPool({ ...optionsOf(url, nodes), connectionLimit: 3 });
  const { pathname } = new URL(urlsOf(url)[0]!);
  try {
    // Each statement is written down: on the next node it goes on where it was.
    await onAnyNode(nodes, () => migrate(pool, options));
    if (options.alone) for (const grant of grantsOfFrames(pathname.slice(1))) await pool.query(grant);
    const [[row]] = await pool.query<RowDataPacket[]>('SELECT @@wsrep_on AS clustered');
    return { clustered: Number(row?.['clustered']) === 1 };
  } catch (error) {
    throw error instanceof CannotStart ? error : cannotUse(url, error);
  } finally {
    await pool.end();
  }
}
