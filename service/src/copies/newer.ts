import mysql, { type RowDataPacket } from 'mysql2/promise';
import { oneThatAnswers } from './one-that-answers.ts';

/** What came later than a copy in a register that is used: how many changes, and the newest. */
export interface Newer {
  changes: number;
  last: { at: Date; by: string | null } | null;
}

/** What a register has that came after a copy’s last change. */
export async function newerThan(url: string, lastChange: number): Promise<Newer> {
  const connection = await mysql.createConnection({ uri: await oneThatAnswers(url), timezone: 'Z' });
  try {
    const [[counted]] = await connection.query<RowDataPacket[]>(
      'SELECT count(*) AS `n` FROM `change_log` WHERE `id` > ?',
      [lastChange],
    );
    const [[last]] = await connection.query<RowDataPacket[]>(
      'SELECT c.`created_at` AS `at`, p.`name` FROM `change_log` c LEFT JOIN `person` p ON p.`id` = c.`created_by` WHERE c.`id` > ? ORDER BY c.`id` DESC LIMIT 1',
      [lastChange],
    );
    return {
      changes: Number(counted?.['n'] ?? 0),
      last: last ? { at: last['at'] as Date, by: (last['name'] as string | null) ?? null } : null,
    };
  } finally {
    await connection.end();
  }
}
