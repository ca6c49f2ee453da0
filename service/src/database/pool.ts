import { AsyncLocalStorage } from 'node:async_hooks';
import { isConflict, isNotDone } from './errors.ts';
import type { Nodes } from './nodes.ts';
import { onAnyNode } from './on-any-node.ts';
import { onceMore } from './once-more.ts';
import mysql, { type Pool, type PoolConnection, type PoolOptions } from 'mysql2/promise';

/** What one request is doing in the database. */
export interface Work {
  /** The connections that it holds. */
  using: Set<PoolConnection>;
  /** Why it is to do nothing more; null while it may. */
  over: Error | null;
}

const current = new AsyncLocalStorage<Work>();

/** Runs something, and counts every connection that is taken meanwhile as its. */
export const asWork = <T>(work: Work, run: () => Promise<T>): Promise<T> => current.run(work, run);

/* In seconds: for a statement, after which the server breaks it off, and for a lock. */
const [statementLimit, lockLimit] = [30, 10];

/**
 * A pool of connections as the query builder wants it, whose connections are counted to the request that
 * holds them: so a request that is over can be made to let go of them.
 */
export function createPool(
  options: PoolOptions,
  nodes: Nodes,
): Pick<Pool, 'getConnection' | 'query' | 'execute' | 'end'> & { pool: Pool } {
  // Where a statement was asked for is said by the query builder’s own error: a trace for each costs time.
  const pool = mysql.createPool({ ...options, trace: false });
  pool.pool.on('connection', (connection) => {
    // The commands of a connection are run in turn: this one before the first of whoever gets it.
    connection.query(
      `SET SESSION max_statement_time = ${statementLimit}, innodb_lock_wait_timeout = ${lockLimit}`,
      () => undefined,
    );
  });
  const getConnection = async (): Promise<PoolConnection> => {
    const work = current.getStore();
    if (work?.over) throw work.over;
    const connection = await pool.getConnection();
    if (work?.over) {
      connection.release();
      throw work.over;
    }
    work?.using.add(connection);
    const release = connection.release.bind(connection);
    connection.release = () => {
      work?.using.delete(connection);
      release();
    };
    return connection;
  };
  const on =
    (method: 'query' | 'execute') =>
    (...of: never[]): Promise<unknown> => {
      let isSent = false;
      const run = async (): Promise<unknown> => {
        const connection = await getConnection();
        isSent = true;
        try {
          // A single statement is a transaction of its own.
          return await onceMore(
            () => (connection[method] as (...of: never[]) => Promise<unknown>)(...of),
            isConflict,
          );
        } finally {
          connection.release();
        }
      };
      return onAnyNode(nodes, run, (error) => !isSent || isReading(of[0]) || isNotDone(error));
    };
  return {
    pool,
    getConnection,
    query: on('query') as Pool['query'],
    execute: on('execute') as Pool['execute'],
    end: () => pool.end(),
  };
}

/* Whether a statement changes nothing, and may be run again on another node. */
function isReading(statement: string | { sql: string } | undefined): boolean {
  const text = typeof statement === 'string' ? statement : (statement?.sql ?? '');
  return /^[\s(]*select\b/i.test(text);
}
