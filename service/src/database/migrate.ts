import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import type { Pool, RowDataPacket } from 'mysql2/promise';
import { CannotStart } from '../settings.ts';
import { numberOf } from './errors.ts';

const folder = fileURLToPath(new URL('../../migrations', import.meta.url));

export interface MigrateOptions {
  /** Nobody else can be migrating this database: it is private, and its folder is locked. */
  alone: boolean;
  /** Told before and after each statement; a test ends the process there, as a power cut would. */
  step?: (at: string) => void;
  /** Of this Orbis. */
  version?: string;
  /** What is done before tables that somebody has used are changed. */
  beforeChange?: (facts: { lastChange: number }) => Promise<void>;
  /** Told how many of the statements are done. */
  progress?: (done: number, all: number) => void;
}

/**
 * One statement of a migration: changes of tables know no transactions, so each is written down by itself.
 */
interface Statement {
  migration: string;
  number: number;
  sql: string;
  /** When its migration was made, in milliseconds. */
  made: number;
}

/* How long a process that migrates is believed to be alive, and how often it says so. */
const [lease, renewal] = [15, 5000];
/* How long another one waits for it. */
const patience = 120_000;

/**
 * Brings the tables to their newest form, statement by statement. Whoever is killed in between, between any
 * two of them or in the middle of one, is carried on from there by whoever starts next. Several processes may
 * start at once.
 * @throws CannotStart where another process has been migrating for two minutes, or a newer version has used
 * the register.
 */
export async function migrate(pool: Pool, options: MigrateOptions): Promise<void> {
  const { alone, step = () => undefined, version = '', progress = () => undefined } = options;
  const statements = readMigrationFiles({ migrationsFolder: folder }).flatMap(({ hash, sql, folderMillis }) =>
    sql.map((text, number): Statement => ({ migration: hash, number, sql: text, made: folderMillis })),
  );
  await pool.query(
    'CREATE TABLE IF NOT EXISTS `migration` (`migration` char(64) CHARACTER SET ascii NOT NULL, `statement` int NOT NULL, `begun_at` datetime(3) NOT NULL, `done_at` datetime(3), PRIMARY KEY (`migration`, `statement`))',
  );
  await refuseNewer(pool, statements, version);
  if ((await missing(pool, statements)).length === 0) return noteVersion(pool, version);
  const release = await claim(pool, alone);
  try {
    const earlier = await carryOver(pool, statements);
    const todo = await missing(pool, statements);
    // Where the tables are new there is nothing to copy; where somebody was broken off, it was copied before.
    const isUsed = todo.length < statements.length && !todo.some(({ begun }) => begun);
    if (isUsed) await options.beforeChange?.({ lastChange: await lastChangeIn(pool) });
    await noteBegun(pool, todo);
    step('noted');
    for (const [done, { statement, begun }] of todo.entries()) {
      if (isUsed) progress(done, todo.length);
      await run(pool, statement, { mayBeThere: begun || earlier, step });
    }
    if (isUsed) progress(todo.length, todo.length);
    await noteVersion(pool, version);
    await pool.query('DROP TABLE IF EXISTS `__drizzle_migrations`');
  } finally {
    await release();
  }
}

/* What is not known here was done by a version that knows more. */
async function refuseNewer(pool: Pool, statements: readonly Statement[], version: string): Promise<void> {
  const known = new Set(statements.map(({ migration }) => migration));
  const [rows] = await pool.query<RowDataPacket[]>('SELECT DISTINCT `migration` FROM `migration`');
  if (rows.every((row) => known.has(String(row['migration'])))) return;
  const [tables] = await pool.query<RowDataPacket[]>("SHOW TABLES LIKE 'installation'");
  const [[row]] =
    tables.length === 0
      ? [[]]
      : await pool.query<RowDataPacket[]>('SELECT `version` FROM `installation` WHERE `id` = 1');
  throw new CannotStart(
    `This register was last used by ${row ? `Orbis ${String(row['version'])}` : 'a newer Orbis'}, and this is ${version || 'an older one'}, which does not know its tables: start that version, or put back a safety copy from before.`,
  );
}

/* By which version the register is used, to tell an older one. */
async function noteVersion(pool: Pool, version: string): Promise<void> {
  if (version === '') return;
  await pool.query(
    'INSERT INTO `installation` VALUES (1, ?, utc_timestamp(3)) ON DUPLICATE KEY UPDATE `since` = IF(`version` = VALUES(`version`), `since`, VALUES(`since`)), `version` = VALUES(`version`)',
    [version],
  );
}

/* The newest change, by its row; 0 where there is none, or the tables are from before there were any. */
async function lastChangeIn(pool: Pool): Promise<number> {
  const [tables] = await pool.query<RowDataPacket[]>("SHOW TABLES LIKE 'change\\_log'");
  if (tables.length === 0) return 0;
  const [[row]] = await pool.query<RowDataPacket[]>('SELECT max(`id`) AS `last` FROM `change_log`');
  return Number(row?.['last'] ?? 0);
}

/* Whoever is killed from here on may leave any of them behind without a note that it is done. */
async function noteBegun(pool: Pool, todo: readonly { statement: Statement }[]): Promise<void> {
  if (todo.length === 0) return;
  await pool.query(
    `INSERT IGNORE INTO \`migration\` VALUES ${todo.map(() => '(?, ?, utc_timestamp(3), NULL)').join(', ')}`,
    todo.flatMap(({ statement: { migration, number } }) => [migration, number]),
  );
}

async function run(
  pool: Pool,
  { migration, number, sql }: Statement,
  { mayBeThere, step }: { mayBeThere: boolean; step: (at: string) => void },
): Promise<void> {
  const name = `${migration.slice(0, 8)}.${number}`;
  step(`before ${name}`);
  const connection = await pool.getConnection();
  try {
    // What changes rows is one transaction with its note; what changes tables ends any transaction by itself.
    if (changesRows.test(sql)) await connection.beginTransaction();
    await connection.query(sql).catch((error: unknown) => {
      if (!(mayBeThere && isThere(error))) throw error;
    });
    step(`run ${name}`);
    await connection.query(
      'UPDATE `migration` SET `done_at` = utc_timestamp(3) WHERE `migration` = ? AND `statement` = ?',
      [migration, number],
    );
    if (changesRows.test(sql)) await connection.commit();
  } catch (error) {
    await connection.rollback().catch(() => undefined);
    // The server refused it: what it found in its way was not begun by us.
    if (numberOf(error) !== null)
      await connection.query('DELETE FROM `migration` WHERE `done_at` IS NULL').catch(() => undefined);
    throw error;
  } finally {
    connection.release();
  }
  step(`done ${name}`);
}

const changesRows = /^\s*(?:insert|update|delete)\b/i;

/* What is not done yet, and whether somebody had begun it. */
async function missing(
  pool: Pool,
  statements: readonly Statement[],
): Promise<{ statement: Statement; begun: boolean }[]> {
  const [rows] = await pool.query<RowDataPacket[]>(
    'SELECT `migration`, `statement`, `done_at` FROM `migration`',
  );
  const known = new Map(
    rows.map((row) => [`${row['migration']}.${row['statement']}`, row['done_at'] !== null]),
  );
  return statements
    .filter(({ migration, number }) => known.get(`${migration}.${number}`) !== true)
    .map((statement) => ({ statement, begun: known.has(`${statement.migration}.${statement.number}`) }));
}

/*
 * Earlier versions noted whole migrations in a table of another name, and may have been killed in the middle
 * of one. Whether there is such a table.
 */
async function carryOver(pool: Pool, statements: readonly Statement[]): Promise<boolean> {
  const [tables] = await pool.query<RowDataPacket[]>("SHOW TABLES LIKE '\\_\\_drizzle\\_migrations'");
  if (tables.length === 0) return false;
  const [[row]] = await pool.query<RowDataPacket[]>(
    'SELECT max(created_at) AS last FROM `__drizzle_migrations`',
  );
  const last = Number(row?.['last'] ?? 0);
  const there = statements.filter(({ made }) => made <= last);
  if (there.length > 0) {
    await pool.query(
      `INSERT INTO \`migration\` VALUES ${there.map(() => '(?, ?, utc_timestamp(3), utc_timestamp(3))').join(', ')} ON DUPLICATE KEY UPDATE \`done_at\` = values(\`done_at\`)`,
      there.flatMap(({ migration, number }) => [migration, number]),
    );
  }
  return true;
}

/* By a row and not by GET_LOCK, which knows one node of a cluster only. */
async function claim(pool: Pool, alone: boolean): Promise<() => Promise<void>> {
  const owner = randomUUID();
  const until = `utc_timestamp(3) + INTERVAL ${lease} SECOND`;
  await pool.query(
    'CREATE TABLE IF NOT EXISTS `migrating` (`id` tinyint NOT NULL PRIMARY KEY, `owner` char(36) CHARACTER SET ascii NOT NULL, `until` datetime(3) NOT NULL)',
  );
  await pool.query("INSERT IGNORE INTO `migrating` VALUES (1, '', utc_timestamp(3))");
  for (const end = Date.now() + patience; ;) {
    await pool.query(
      `UPDATE \`migrating\` SET \`owner\` = ?, \`until\` = ${until} WHERE \`id\` = 1 AND (? OR \`until\` <= utc_timestamp(3))`,
      [owner, alone ? 1 : 0],
    );
    const [[row]] = await pool.query<RowDataPacket[]>('SELECT `owner` FROM `migrating` WHERE `id` = 1');
    if (row?.['owner'] === owner) break;
    if (Date.now() > end)
      throw new CannotStart('Another process has been migrating the database for two minutes.');
    await wait(250);
  }
  const timer = setInterval(
    () =>
      void pool
        .query(`UPDATE \`migrating\` SET \`until\` = ${until} WHERE \`owner\` = ?`, [owner])
        .catch(() => undefined),
    renewal,
  );
  return async () => {
    clearInterval(timer);
    await pool.query('UPDATE `migrating` SET `until` = utc_timestamp(3) WHERE `owner` = ?', [owner]);
  };
}

/* MariaDB's numbers for: a table, a column, a key, a primary key, a constraint is there; what was to be
   dropped is gone. */
const thereAlready = new Set([1050, 1060, 1061, 1068, 1826, 1051, 1091]);

function isThere(error: unknown): boolean {
  const number = numberOf(error);
  // A foreign key that is there comes as “cannot create table (errno: 121 …)”.
  return (
    thereAlready.has(number ?? 0) ||
    (number === 1005 && error instanceof Error && error.message.includes('errno: 121'))
  );
}
