/*
 * Whoever had an account on the machine could sign in to the private database as root without a password:
 * forge a session, read every code, or have the server write files for them.
 */
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { accountUrls } from '../../src/database/accounts.ts';
import { connectDatabase } from '../../src/database/connect.ts';
import { installDatabase } from '../../src/database/install.ts';
import { pidIn } from '../../src/database/processes.ts';
import { findSocket } from '../../src/database/socket.ts';
import { findLinkedPlacement } from '../../src/store/served.ts';
import { findPreview } from '../../src/store/previews.ts';
import { openDataFolder, startPrivateDatabase, type PrivateDatabase } from '@orbis/service';

const isRoot = process.getuid?.() === 0;
const nobody = 65_534;

/** What MariaDB's own client says; as another user of the machine where that is asked. */
const client = (socket: string, args: readonly string[], user?: number) =>
  spawnSync(
    'mariadb',
    ['--no-defaults', `--socket=${socket}`, '--connect-timeout=3', ...args, '-e', 'select current_user()'],
    {
      encoding: 'utf8',
      ...(user === undefined ? {} : { uid: user, gid: nobody }),
    },
  );

const codeOf = async (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'let in',
    (error: { code?: string; errno?: number }) => error.code ?? `number ${error.errno}`,
  );

describe('attack: the private database, by another user of the machine', function () {
  let root: string;
  let database: PrivateDatabase;
  let socket: string;
  const folder = () => openDataFolder(join(root, 'data'));
  before(async () => {
    root = mkdtempSync(join(tmpdir(), 'orbis-attack-'));
    // As a careful owner would have it: others may pass, as the database's own user must, and see nothing.
    chmodSync(root, 0o711);
    await installDatabase(folder());
    // What earlier versions left: accounts without a password, and one that may do everything.
    writeFileSync(join(folder().keys, 'database'), 'an old password\n');
    database = await startPrivateDatabase(folder(), { durable: false });
    await (await connectDatabase(database.urls)).close();
    socket = findSocket(folder())!;
  });
  after(async () => {
    await database.stop();
    rmSync(root, { recursive: true, force: true });
  });

  it('listens on no port', () => {
    const pid = pidIn(join(folder().database, 'mariadb.pid'))!;
    const inodes = new Set(
      readdirSync(`/proc/${pid}/fd`).flatMap((fd) => {
        try {
          return [statSync(`/proc/${pid}/fd/${fd}`).ino];
        } catch {
          return [];
        }
      }),
    );
    const tcp = ['tcp', 'tcp6'].flatMap((name) =>
      readFileSync(`/proc/net/${name}`, 'utf8').trim().split('\n').slice(1),
    );
    expect(tcp.filter((line) => inodes.has(Number(line.trim().split(/\s+/)[9])))).to.deep.equal([]);
    expect(inodes.size).to.be.greaterThan(5);
  });

  it('cannot be reached by another user, whose way ends before the socket', function () {
    if (!isRoot) this.skip();
    const { status, stderr } = client(socket, ['-u', 'root'], nobody);
    expect(status).to.not.equal(0);
    expect(stderr).to.match(/ERROR 2002.*\(13\)/s);
  });

  for (const user of ['root', 'mysql', 'orbis', 'orbis_setup', 'orbis_frames', 'mariadb.sys', '']) {
    it(`lets nobody in as “${user}” without the password, even where the socket can be reached`, () => {
      const { status, stdout } = client(socket, user === '' ? [] : ['-u', user]);
      expect([status === 0, stdout]).to.deep.equal([false, '']);
    });
  }

  it('runs as a user of its own where Orbis runs as root', function () {
    if (!isRoot) this.skip();
    const pid = pidIn(join(folder().database, 'mariadb.pid'))!;
    const mysqlUser = Number(spawnSync('id', ['-u', 'mysql'], { encoding: 'utf8' }).stdout);
    expect(statSync(`/proc/${pid}`).uid).to.equal(mysqlUser);
    expect(statSync(folder().root).mode & 0o777).to.equal(0o711);
    expect(statSync(folder().database).mode & 0o777).to.equal(0o700);
    expect(statSync(folder().keys).mode & 0o777).to.equal(0o700);
  });

  it('keeps no password where it was handed over, and none of earlier versions', () => {
    expect(readdirSync(folder().database)).to.not.include('accounts.sql');
    expect(readdirSync(folder().keys).sort()).to.deep.equal([
      'database-frames',
      'database-service',
      'database-setup',
    ]);
    for (const key of readdirSync(folder().keys))
      expect(statSync(join(folder().keys, key)).mode & 0o777, key).to.equal(0o600);
  });

  it('keeps its files to itself: temporary ones where no other server clears them, and none in or out by a question', async () => {
    const connection = await mysql.createConnection(database.urls.service);
    const [[row]] = await connection.query<mysql.RowDataPacket[]>(
      'select @@tmpdir as tmp, @@secure_file_priv as files, @@local_infile as local, @@skip_networking as alone',
    );
    await connection.end();
    expect(row).to.include({
      tmp: join(folder().database, 'tmp'),
      files: `${join(folder().database, 'no-files')}/`,
      local: 0,
      alone: 1,
    });
    expect(readdirSync(join(folder().database, 'no-files'))).to.deep.equal([]);
  });

  it('lets the second origin read all that its documents are made from', async () => {
    const connection = await connectDatabase(database.urls);
    try {
      expect(await findLinkedPlacement(connection.frames, '0123456789')).to.equal(null);
      expect(await findPreview(connection.frames, '00000000000000000000', new Date())).to.equal(null);
    } finally {
      await connection.close();
    }
  });

  describe('gives each account what its part needs', () => {
    const as = async (account: 'service' | 'frames' | 'setUp', sql: string): Promise<string> => {
      const connection = await mysql.createConnection(accountUrls(folder(), socket, 'orbis')[account]);
      try {
        return await codeOf(connection.query(sql));
      } finally {
        await connection.end();
      }
    };
    const refused =
      /^ER_(?:TABLEACCESS_DENIED|ACCESS_DENIED|SPECIFIC_ACCESS_DENIED|DBACCESS_DENIED|OPTION_PREVENTS|NOT_ALLOWED_COMMAND)|^number 4166$/;
    for (const [account, sql, answer] of [
      ['service', 'select count(*) from session', 'let in'],
      ['service', 'create table more (id int)', refused],
      ['service', 'drop table session', refused],
      ['service', 'select * from mysql.global_priv', refused],
      ['service', "select 1 into outfile '/tmp/orbis-outfile'", refused],
      ['service', "load data local infile '/etc/passwd' into table tag", refused],
      ['service', "create user 'x'@'localhost'", refused],
      ['frames', 'select count(*) from preview', 'let in'],
      ['frames', 'select password_hash from person', refused],
      ['frames', 'select * from session', refused],
      ['frames', 'update placement set ended_at = null', refused],
      ['setUp', 'select * from mysql.global_priv', refused],
      ['setUp', 'create database others', refused],
    ] as const) {
      it(`${account}: ${sql}`, async () => {
        const code = await as(account, sql);
        if (typeof answer === 'string') expect(code).to.equal(answer);
        else expect(code).to.match(answer);
      });
    }
  });
});

describe('the socket of the private database', function () {
  it('goes into a short private folder where the way to the data folder is too long for one', async () => {
    const root = mkdtempSync(join(tmpdir(), 'orbis-attack-'));
    const folder = openDataFolder(join(root, 'a'.repeat(60), 'b'.repeat(60)));
    const database = await startPrivateDatabase(folder, { durable: false });
    try {
      const socket = findSocket(folder)!;
      expect(Buffer.byteLength(socket)).to.be.at.most(107);
      expect(statSync(join(socket, '..')).mode & 0o777).to.equal(0o700);
      await (await connectDatabase(database.urls)).close();
      await database.stop();
      expect(findSocket(folder)).to.equal(null);
    } finally {
      rmSync(root, { recursive: true, force: true });
    }
  });

  it('is not looked for in a folder that somebody else has put in its place', () => {
    const root = mkdtempSync(join(tmpdir(), 'orbis-attack-'));
    const folder = openDataFolder(join(root, 'a'.repeat(60), 'b'.repeat(60)));
    const trap = mkdtempSync(join(tmpdir(), 'orbis-trap-'));
    chmodSync(trap, 0o777);
    writeFileSync(join(folder.database, 'socket-folder'), trap);
    expect(findSocket(folder)).to.equal(null);
    rmSync(root, { recursive: true, force: true });
    rmSync(trap, { recursive: true, force: true });
  });
});
