import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise';
import { formatChange, type ChangeFacts } from '@orbis/contract';
import { oneThatAnswers } from './one-that-answers.ts';

/** What came later than a copy in a register that is used. */
export interface Newer {
  changes: number;
  /** The newest of them, the newest first. */
  newest: readonly NewerChange[];
}

export interface NewerChange {
  at: Date;
  /** By whom; null for Orbis itself. */
  by: string | null;
  /** What was done; null where a register of another version says it in words that this one does not know. */
  said: string | null;
}

/* So many are told one by one. */
const mostTold = 5;

/** What a register has that came after a copy’s last change. */
export async function newerThan(url: string, lastChange: number): Promise<Newer> {
  const connection = await mysql.createConnection({ uri: await oneThatAnswers(url), timezone: 'Z' });
  try {
    return {
      changes: await countNewer(connection, lastChange),
      newest: await tellNewer(connection, lastChange),
    };
  } finally {
    await connection.end();
  }
}

async function countNewer(connection: Connection, lastChange: number): Promise<number> {
  const [[counted]] = await connection.query<RowDataPacket[]>(
    'SELECT count(*) AS `n` FROM `change_log` WHERE `id` > ?',
    [lastChange],
  );
  return Number(counted?.['n'] ?? 0);
}

async function tellNewer(connection: Connection, lastChange: number): Promise<NewerChange[]> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT c.`created_at` AS `at`, c.`facts`, p.`name` FROM `change_log` c LEFT JOIN `person` p ON p.`id` = c.`created_by` WHERE c.`id` > ? ORDER BY c.`id` DESC LIMIT ?',
    [lastChange, mostTold],
  );
  return rows.map((row) => ({
    at: row['at'] as Date,
    by: row['name'] as string | null,
    said: inWords(row['facts']),
  }));
}

function inWords(facts: unknown): string | null {
  try {
    return formatChange((typeof facts === 'string' ? JSON.parse(facts) : facts) as ChangeFacts);
  } catch {
    return null;
  }
}
