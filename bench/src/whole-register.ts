import { createReadStream, createWriteStream, mkdtempSync, rmSync, statSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createConnection, type Connection } from 'mysql2/promise';
import type { Connection as Streaming } from 'mysql2';
import { analyzeStatement, fillStatements, usual } from '../../service/test/support/large-register.ts';
import { line } from './figures.ts';
import { started, timed, type Started } from './started.ts';

/* What a register file is made of. */
const tables = [
  'site',
  'page',
  'spot',
  'embed',
  'source',
  'revision',
  'placement',
  'snippet',
  'delivery',
  'delivery_snippet',
];

/**
 * A register of 50,000 placements out as a file and into an empty one, through the interface with a real
 * MariaDB, against the bare rows of the same tables written to a file as JSON, and put into tables like them.
 */
export async function wholeRegister(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'orbis-bench-'));
  const [from, into] = [await started(join(folder, 'from')), await started(join(folder, 'into'))];
  try {
    const sql = await createConnection(from.database);
    await sql.query('set session max_statement_time = 0');
    for (const statement of [...fillStatements(usual), analyzeStatement]) await sql.query(statement);
    const [bare, file] = [join(folder, 'bare.ndjson'), join(folder, 'register.ndjson')];
    const bareOut = await timed(() => rowsOut(sql, bare));
    const out = await timed(async () => {
      const response = await from.client.open('register.read');
      await pipeline(Readable.fromWeb(response.body as never), createWriteStream(file));
    });
    const bareIn = await timed(() => rowsIn(sql, bare));
    const taken = await timed(() => takeIn(into, file));
    await sql.end();
    const [most, mostInto] = [await from.stop(), await into.stop()];
    const row = (label: string, plain: number, full: number): string =>
      line(
        label,
        `${(plain / 1000).toFixed(1)} s`,
        `${(full / 1000).toFixed(1)} s`,
        (full / plain).toFixed(1),
      );
    return [
      `A register of ${usual.placements.toLocaleString('en')} placements as a file of ${Math.round(statSync(file).size / 1e6)} MB, against the bare rows of its tables\n`,
      line('what', 'rows', 'Orbis', 'times'),
      row('out', bareOut, out),
      row('in', bareIn, taken),
      `\nThe service that wrote it took at most ${mega(most)} MB, and the one that took it in ${mega(mostInto)} MB.\n`,
    ].join('');
  } finally {
    await from.end();
    await into.end();
    rmSync(folder, { recursive: true, force: true });
  }
}

const mega = (bytes: number): number => Math.round(bytes / 1e6);

async function rowsOut(sql: Connection, file: string): Promise<void> {
  const streaming = (sql as unknown as { connection: Streaming }).connection;
  await pipeline(async function* () {
    for (const table of tables)
      for await (const row of streaming.query(`select * from \`${table}\``).stream())
        yield `${JSON.stringify([table, row])}\n`;
  }, createWriteStream(file));
}

async function rowsIn(sql: Connection, file: string): Promise<void> {
  for (const table of tables) await sql.query(`create table bare_${table} like \`${table}\``);
  await sql.query("set session sql_mode = ''");
  let batch: unknown[][] = [];
  let of = '';
  const write = async (): Promise<void> => {
    if (batch.length > 0) await sql.query(`insert into bare_${of} values ?`, [batch]);
    batch = [];
  };
  for await (const text of createInterface({ input: createReadStream(file) })) {
    const [table, row] = JSON.parse(text) as [string, Record<string, unknown>];
    if (table !== of || batch.length === 1000) await write();
    of = table;
    batch.push(Object.values(row).map(plain));
  }
  await write();
}

/* As a column takes it. */
const plain = (value: unknown): unknown =>
  value !== null && typeof value === 'object' ? JSON.stringify(value) : value;

function takeIn({ url, token }: Pick<Started, 'url' | 'token'>, file: string): Promise<void> {
  const { port, host } = new URL(url);
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        ...{ host: '127.0.0.1', port, path: '/api/v1/register', method: 'POST' },
        headers: { host, 'authorization': `Bearer ${token}`, 'content-type': 'application/x-ndjson' },
      },
      (response) => {
        response.resume();
        response.once('end', () =>
          response.statusCode === 201 ? resolve() : reject(new Error(`status ${response.statusCode}`)),
        );
      },
    );
    asked.once('error', reject);
    createReadStream(file).pipe(asked);
  });
}
