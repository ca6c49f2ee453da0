import { fileURLToPath } from 'node:url';
import { drizzle, type MySql2Database } from 'drizzle-orm/mysql2';
import { migrate } from 'drizzle-orm/mysql2/migrator';
import mysql from 'mysql2/promise';
import { CannotStart } from '../settings.ts';
import * as schema from '../store/schema.ts';

export type Database = MySql2Database<typeof schema>;
/** A database handle or a transaction on it: repositories take either. */
export type Handle = Database | Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  db: Database;
  close(): Promise<void>;
  /** @throws when the database does not answer. */
  ping(): Promise<void>;
}

const migrations = fileURLToPath(new URL('../../migrations', import.meta.url));

/**
 * Connects to a MariaDB and brings its tables to the newest form; several processes may do so at once.
 * @throws CannotStart when it cannot be reached, or refuses us.
 */
export async function connectDatabase(url: string): Promise<Connection> {
  const pool = mysql.createPool({ uri: url.replace(/^mariadb:/, 'mysql:'), timezone: 'Z', connectionLimit: 12, charset: 'utf8mb4_unicode_ci', supportBigNumbers: true });
  const db = drizzle(pool, { schema, mode: 'planetscale', casing: 'snake_case' });
  try {
    await migrateOnce(pool);
  } catch (error) {
    await pool.end();
    const { host } = new URL(url);
    const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error;
    throw new CannotStart(`The database at ${host} cannot be used: ${cause instanceof Error ? cause.message : String(cause)}`);
  }
  return { db, close: () => pool.end(), ping: async () => void (await pool.query('SELECT 1')) };
}

/* Two processes that migrate at once would clash; the lock belongs to one connection, and so does the migration. */
async function migrateOnce(pool: mysql.Pool): Promise<void> {
  const connection = await pool.getConnection();
  try {
    const [rows] = await connection.query<mysql.RowDataPacket[]>("SELECT GET_LOCK('orbis-migrations', 60) AS taken");
    if (rows[0]?.['taken'] !== 1) throw new CannotStart('Another process has been migrating the database for a minute.');
    await migrate(drizzle(connection as never, { mode: 'planetscale' }) as never, { migrationsFolder: migrations });
    await connection.query("DO RELEASE_LOCK('orbis-migrations')");
  } finally {
    connection.release();
  }
}

/** Whether an error says that a unique key is taken. */
export const isDuplicate = (error: unknown): boolean => databaseCode(error) === 'ER_DUP_ENTRY';

/** Whether the database broke a transaction off because two of them waited for each other. */
export const isDeadlock = (error: unknown): boolean => databaseCode(error) === 'ER_LOCK_DEADLOCK';

function databaseCode(error: unknown): unknown {
  const cause = error instanceof Error && error.cause !== undefined ? error.cause : error;
  return typeof cause === 'object' && cause !== null && 'code' in cause ? cause.code : undefined;
}
