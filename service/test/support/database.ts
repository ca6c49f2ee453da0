import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { openDataFolder, startPrivateDatabase, type PrivateDatabase } from '@orbis/service';

let running: Promise<{ database: PrivateDatabase; folder: string }> | null = null;
let count = 0;

/** One MariaDB for the whole run, quick rather than safe; it is stopped when the run ends. */
const server = () =>
  (running ??= (async () => {
    const folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    return { folder, database: await startPrivateDatabase(openDataFolder(folder), { durable: false, databases: 'test\\_%' }) };
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

const serverUrl = ({ urls }: PrivateDatabase): string => urls.setUp.replace('/orbis?', '/?');

export const mochaHooks = {
  async afterAll(): Promise<void> {
    if (!running) return;
    const { database, folder } = await running;
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  },
};
