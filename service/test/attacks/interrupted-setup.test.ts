/*
 * A kill in the first start, or in an upgrade, left tables half made: “Table 'delivery' already exists”, and
 * Orbis never started again.
 */
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { readMigrationFiles } from 'drizzle-orm/migrator';
import mysql, { type Pool, type RowDataPacket } from 'mysql2/promise';
import { installDatabase } from '../../src/database/install.ts';
import { migrate } from '../../src/database/migrate.ts';
import { openDataFolder } from '@orbis/service';
import { newDatabase } from '../support/database.ts';

const migrationsFolder = new URL('../../migrations', import.meta.url).pathname;

/* Every table, column, key and constraint of a database. */
async function shapeOf(pool: Pool): Promise<string[]> {
  const [tables] = await pool.query<RowDataPacket[]>(
    "select table_name as name from information_schema.tables where table_schema = database() and table_name not in ('migrating') order by 1",
  );
  const made: string[] = [];
  for (const { name } of tables) {
    const [[row]] = await pool.query<RowDataPacket[]>('show create table ??', [name]);
    made.push(String(row!['Create Table']).replace(/ AUTO_INCREMENT=\d+/, ''));
  }
  return made;
}

class PowerCut extends Error {}

describe('attack: the power goes while the tables are made', () => {
  const pools: Pool[] = [];
  const open = async (): Promise<Pool> => {
    const pool = mysql.createPool({ uri: await newDatabase(), connectionLimit: 3 });
    pools.push(pool);
    return pool;
  };
  let whole: string[];
  before(async () => {
    const pool = await open();
    await migrate(pool, { alone: true });
    whole = await shapeOf(pool);
    expect(whole.length).to.be.greaterThan(20);
  });
  after(() => Promise.all(pools.map((pool) => pool.end())));

  it('between any two statements, or between a statement and its note: the next start carries on, and nothing is missing or there twice', async () => {
    const pool = await open();
    const cut = new Set<string>();
    for (;;) {
      try {
        await migrate(pool, {
          alone: true,
          step: (at) => {
            // Each point is met once: the way leads one step further every time.
            if (cut.has(at)) return;
            cut.add(at);
            throw new PowerCut(at);
          },
        });
        break;
      } catch (error) {
        if (!(error instanceof PowerCut)) throw error;
      }
    }
    const statements = readMigrationFiles({ migrationsFolder }).flatMap(({ sql }) => sql).length;
    expect(cut.size).to.equal(statements * 3 + 1);
    expect(await shapeOf(pool)).to.deep.equal(whole);
    await migrate(pool, { alone: true, step: () => expect.fail('there was something left to do') });
  });

  it('in a version before this one, which noted whole migrations only', async () => {
    const [first, second] = readMigrationFiles({ migrationsFolder });
    for (const interruptedAfter of [1, 5, second!.sql.length]) {
      const pool = await open();
      await pool.query(
        'create table `__drizzle_migrations` (id serial primary key, hash text not null, created_at bigint)',
      );
      for (const statement of first!.sql) await pool.query(statement);
      await pool.query('insert into `__drizzle_migrations` (hash, created_at) values (?, ?)', [
        first!.hash,
        first!.folderMillis,
      ]);
      for (const statement of second!.sql.slice(0, interruptedAfter)) await pool.query(statement);
      await migrate(pool, { alone: true });
      expect(await shapeOf(pool), String(interruptedAfter)).to.deep.equal(whole);
    }
  });

  it('does not take a table of somebody else’s for one of ours', async () => {
    const pool = await open();
    await pool.query('create table `person` (id int)');
    for (let attempt = 0; attempt < 2; attempt++) {
      const error = await migrate(pool, { alone: true }).catch((reason: unknown) => reason);
      expect(error).to.include({ code: 'ER_TABLE_EXISTS_ERROR' });
    }
  });

  it('lets several processes start at once on an empty database', async () => {
    const pool = await open();
    await Promise.all(Array.from({ length: 5 }, () => migrate(pool, { alone: false })));
    expect(await shapeOf(pool)).to.deep.equal(whole);
  });

  it('in the installation of the database itself: it is made aside, and begun anew', async () => {
    const root = mkdtempSync(join(tmpdir(), 'orbis-attack-'));
    const folder = openDataFolder(join(root, 'data'));
    mkdirSync(join(folder.database, 'data.unfinished/mysql'), { recursive: true });
    writeFileSync(join(folder.database, 'data.unfinished/ibdata1'), 'half of it');
    expect(await installDatabase(folder)).to.equal(join(folder.database, 'data'));
    expect(readdirSync(folder.database)).to.not.include('data.unfinished');
    expect(readdirSync(join(folder.database, 'data'))).to.include.members(['mysql', 'ibdata1']);
    rmSync(root, { recursive: true, force: true });
  });
});
