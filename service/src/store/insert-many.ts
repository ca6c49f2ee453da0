import { getTableName, is, sql, type InferInsertModel } from 'drizzle-orm';
import { MySqlColumn, type MySqlTable } from 'drizzle-orm/mysql-core';
import { format } from 'mysql2';
import type { Handle } from '../database/connect.ts';

/* As many rows as one statement takes well: as text they stay far below what the server lets through. */
const size = 1000;

/**
 * Writes many rows in few statements. The driver puts the values into each statement (as it does for every
 * other one): to build a statement with a parameter for each value costs several times as much as to write
 * the rows. All rows have the same members.
 */
export async function insertMany<T extends MySqlTable>(
  tx: Handle,
  table: T,
  rows: readonly InferInsertModel<T>[],
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const members = Object.keys(first);
  const columns = members
    .map((member) => (table as unknown as Record<string, unknown>)[member])
    .filter((column) => is(column, MySqlColumn));
  if (columns.length !== members.length)
    throw new Error(`${getTableName(table)} has no column for one of ${members.join(', ')}`);
  for (let from = 0; from < rows.length; from += size) {
    const part = rows
      .slice(from, from + size)
      .map((row) => columns.map((column, i) => written(column, row[members[i] as keyof typeof row])));
    await tx.execute(
      sql.raw(
        format('insert into ?? (??) values ?', [getTableName(table), columns.map(nameOf), part] as string[]),
      ),
    );
  }
}

const written = (column: MySqlColumn, value: unknown): unknown =>
  value === null || value === undefined ? null : column.mapToDriverValue(value);

/* The name of a column as the schema's casing has it. */
const nameOf = ({ name }: MySqlColumn): string =>
  name.replaceAll(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
