import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { openDataFolder, startPrivateDatabase, type PrivateDatabase } from '@orbis/service';
import { grantsOfFrames } from '../../src/database/accounts.ts';
import { connectDatabase } from '../../src/database/connect.ts';

let running: Promise<{ database: PrivateDatabase; folder: string }> | null = null;
let count = 0;

/** One MariaDB for the whole run, quick rather than safe; it is stopped when the run ends. */
const server = () =>
  (running ??= (async () => {
    const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    return {
      folder,
      database: await startPrivateDatabase(openDataFolder(folder), { durable: false, databases: 'test\\_%' }),
    };
  })());

/** The address of a new, empty database, by the account that may do all of it. */
export async function newDatabase(): Promise<string> {
  const { database } = await server();
  const name = `test_${process.pid}_${++count}`;
  const connection = await mysql.createConnection(serverUrl(database));
  await connection.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`);
  await connection.end();
  return database.urls.setUp.replace('/orbis?', `/${name}?`);
}

/** Takes a database away: hundreds of them would fill the place of the tests. */
export async function dropDatabase(url: string): Promise<void> {
  const connection = await mysql.createConnection(url);
  await connection.query(`DROP DATABASE ${nameIn(url)}`);
  await connection.end();
}

const nameIn = (url: string): string => /\/(test_\w+)\?/.exec(url)![1]!;

/* What makes all tables of this version, as one text; migrating step by step takes ten times as long. */
let tables: Promise<string> | null = null;

async function readTables(): Promise<string> {
  const url = await newDatabase();
  await (await connectDatabase(url)).close();
  const connection = await mysql.createConnection(url);
  const [names] = await connection.query<mysql.RowDataPacket[]>('SHOW TABLES');
  const statements = ['SET foreign_key_checks = 0'];
  for (const row of names) {
    const [[made]] = await connection.query<mysql.RowDataPacket[]>('SHOW CREATE TABLE ??', [
      Object.values(row)[0],
    ]);
    statements.push(String(made!['Create Table']));
  }
  const [notes] = await connection.query<mysql.RowDataPacket[]>('SELECT * FROM migration');
  statements.push(
    connection.format('INSERT INTO migration VALUES ?', [notes.map((note) => Object.values(note))]),
  );
  await connection.end();
  return statements.join(';\n');
}

/** The address of a new database that has all tables of this version, as if it had been migrated. */
export async function migratedDatabase(): Promise<string> {
  const url = await newDatabase();
  const connection = await mysql.createConnection({ uri: url, multipleStatements: true });
  await connection.query(await (tables ??= readTables()));
  await connection.end();
  return url;
}

/** The address of the same database by the account of the frames, with no more rights than it has. */
export async function asFrames(url: string): Promise<string> {
  const { database } = await server();
  const name = nameIn(url);
  const connection = await mysql.createConnection(url);
  for (const grant of grantsOfFrames(name)) await connection.query(grant);
  await connection.end();
  return database.urls.frames.replace('/orbis?', `/${name}?`);
}

const serverUrl = ({ urls }: PrivateDatabase): string => urls.setUp.replace('/orbis?', '/?');

export const mochaHooks = {
  async afterAll(): Promise<void> {
    if (!running) return;
    const { database, folder } = await running;
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  },
};
