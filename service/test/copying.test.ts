/* Safety copies as Orbis makes them: each day, when somebody asks, taken up again after the process was
   killed, at the server’s own machine, and before the tables are changed. */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { pino } from 'pino';
import { createClient } from '@orbis/contract';
import { readSettings, startOrbis } from '@orbis/service';
import { dailyAt, lastDue, nextDue } from '../src/copies/schedule.ts';
import { keepIn, type CopyPlan } from '../src/copies/plan.ts';
import { readCopy } from '../src/copies/unpack.ts';
import { beginDueCopy } from '../src/usecases/copies.ts';
import { codeOf } from './support/calls.ts';
import { newDatabase } from './support/database.ts';
import { password, refusal, startTestOrbis, talkCode } from './support/orbis.ts';
import { runAtServer, runOrbis } from './support/process.ts';
import { until } from './support/until.ts';

const hour = 3_600_000;

describe('a copy each day', () => {
  it('is due at its time, by the clock of the machine', () => {
    const at = dailyAt('03:30');
    const noon = new Date(2026, 10, 30, 12, 0);
    expect(lastDue(at, noon)).to.deep.equal(new Date(2026, 10, 30, 3, 30));
    expect(nextDue(at, noon)).to.deep.equal(new Date(2026, 11, 1, 3, 30));
    const early = new Date(2026, 10, 30, 3, 29, 59);
    expect(lastDue(at, early)).to.deep.equal(new Date(2026, 10, 29, 3, 30));
    expect(lastDue(at, new Date(2026, 10, 30, 3, 30))).to.deep.equal(new Date(2026, 10, 30, 3, 30));
    expect(keepIn('7d 4w 12m')).to.deep.equal({ days: 7, weeks: 4, months: 12 });
  });
});

describe('copying', () => {
  let folder: string;
  before(() => void (folder = mkdtempSync(join(tmpdir(), 'orbis-test-'))));
  after(() => rmSync(folder, { recursive: true, force: true }));

  it('is done by itself, read back, told of and shown to whoever watches', async () => {
    const to = join(folder, 'daily');
    const test = await startTestOrbis({ env: { ORBIS_COPIES_TO: to } });
    const { client } = test;
    const standing = async () => (await client.call('copies.standing')).data;
    await until(async () => (await standing()).standing === 'good');
    const told = await standing();
    expect(told).to.deep.include({
      ...{ folder: to, at: '03:30', encrypted: false, readBack: 'each' },
      keep: { days: 7, weeks: 4, months: 12 },
    });
    const { data } = await client.call('copies.list', {});
    expect(data.items).to.have.length(1);
    const [copy] = data.items;
    expect(copy).to.include({ state: 'good', createdBy: null, encrypted: false, madeAt: told.lastAt });
    expect(copy!.rows).to.be.greaterThan(100);
    expect((await readCopy(copy!.file!, [])).version).to.equal('0.1.0');
    const ready = (await client.call('health.ready')).data;
    expect(ready.lastCopyAt).to.equal(told.lastAt);
    const metrics = await (
      await fetch(`${test.url}/metrics`, { headers: { authorization: `Bearer ${test.token}` } })
    ).text();
    expect(metrics).to.match(/^orbis_last_copy_timestamp_seconds 1\d{9}(?:\.\d+)?$/m);
    expect((await client.call('today.read')).data).to.include({ copies: 'good', copiedAt: told.lastAt });

    // One more, which somebody asks for; none of both was for nothing.
    const asked = await client.call('copies.create', { body: {} });
    expect(asked.status).to.equal(202);
    expect(asked.data).to.include({ state: 'waiting', createdBy: 'Tester', file: null });
    expect(await codeOf(client.call('copies.create', { body: {} }))).to.equal('copy-running');
    await until(async () => (await client.call('copies.list', {})).data.items[0]!.state === 'good');
    expect(readdirSync(to)).to.have.length(1);
    await test.stop();
  });

  it('says what went wrong, and is tried again an hour later', async () => {
    const to = join(folder, 'a-file');
    writeFileSync(to, '');
    const test = await startTestOrbis({ env: { ORBIS_COPIES_TO: join(to, 'below') } });
    const standing = async () => (await test.client.call('copies.standing')).data.standing;
    await until(async () => (await standing()) === 'failed');
    const { data } = await test.client.call('copies.list', {});
    expect(data.items[0]).to.include({ state: 'failed', file: null });
    expect(data.items[0]!.why).to.match(/^The folder .*below cannot be made \(ENOTDIR\)\.$/);
    expect((await test.client.call('today.read')).data.copies).to.equal('failed');

    const begun = Date.parse(data.items[0]!.createdAt);
    const { nextAt } = (await test.client.call('copies.standing')).data;
    expect(Date.parse(nextAt!)).to.be.at.most(begun + hour);
    const plan: CopyPlan = {
      ...{ folder: join(to, 'below'), at: dailyAt('03:30'), recipients: [], readBack: 'each' },
      keep: { days: 7, weeks: 4, months: 12 },
    };
    const { db } = test.orbis.connection;
    const count = async () => (await test.client.call('copies.list', {})).data.items.length;
    // Days with a due moment in between would have one for that.
    const isDueBetween = +lastDue(plan.at, new Date(begun)) !== +lastDue(plan.at, new Date(begun + hour));
    await beginDueCopy(db, plan, new Date(begun + hour - 1000));
    expect(await count()).to.equal(isDueBetween ? 2 : 1);
    // Where the one that failed is not put away yet, the next is left for the next look.
    await until(async () => {
      await Promise.all([1, 2].map(() => beginDueCopy(db, plan, new Date(begun + hour))));
      return (await count()) > 1;
    });
    await beginDueCopy(db, plan, new Date(begun + hour));
    expect(await count()).to.equal(2);
    await test.stop();
  });

  it('is off where nobody said where to', async () => {
    const test = await startTestOrbis();
    expect((await test.client.call('copies.standing')).data).to.include({ standing: 'off', folder: null });
    expect((await refusal(test.client.call('copies.create', { body: {} }))).message).to.equal(
      'Nobody has said where safety copies go. ORBIS_COPIES_TO says so; on the server’s own machine “npm run backup” makes one in any folder.',
    );
    await test.stop();
  });

  it('is taken up again where the process was killed in the middle, and leaves no half behind', async () => {
    const database = await newDatabase();
    const to = join(folder, 'killed');
    const env = {
      ...{ ORBIS_DATABASE_URL: database, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0' },
      ...{ ORBIS_COPIES_TO: to, ORBIS_CHROMIUM: 'none' },
    };
    const connection = await mysql.createConnection(database);
    // What takes a while: noise cannot be made smaller.
    await connection.query('create table noise (n int primary key, bytes mediumblob)');
    for (let n = 0; n < 40; n++)
      await connection.query('insert into noise select ?, repeat(random_bytes(1024), 1) from dual', [n]);
    await connection.query(
      'insert into noise select 100 + n, concat(random_bytes(1000), repeat(sha2(rand(), 512), 12000)) from noise',
    );
    const data = join(folder, 'killed-data');
    const first = runOrbis(data, env);
    const parts = (): string[] => {
      try {
        return readdirSync(to).filter((name) => name.endsWith('.part'));
      } catch {
        return [];
      }
    };
    await until(() => Promise.resolve(parts().length > 0));
    first.child.kill('SIGKILL');
    await first.ended;
    expect(readdirSync(to).filter((name) => name.endsWith('.tar.gz'))).to.deep.equal([]);
    const [states] = await connection.query('select state from copy');
    expect(states).to.deep.equal([{ state: 'making' }]);
    // As if the minute were over for which a process that is killed holds its work.
    await connection.query("update job set lease_until = '2026-01-01' where kind = 'copy'");
    const second = runOrbis(data, env);
    await until(async () => {
      const [rows] = await connection.query('select state from copy');
      return JSON.stringify(rows) === '[{"state":"good"}]';
    });
    const [name] = readdirSync(to).filter((each) => each.endsWith('.tar.gz'));
    expect((await readCopy(join(to, name!), [])).tables['noise']!.rows).to.equal(80);
    second.child.kill('SIGTERM');
    await second.ended;
    await connection.end();
  });

  it('at the server’s own machine: made, encrypted, checked, and put back into a folder of its own', async () => {
    const data = join(folder, 'here');
    const env = { ORBIS_DATA: data, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ORBIS_CHROMIUM: 'none' };
    const first = runOrbis(data, env);
    await first.says('Set your password');
    const { url, secret } = first.link();
    const stranger = createClient({ url });
    await stranger.call('password.set', { body: { secret, password, name: 'Hollin Fell' } });
    const { token } = (await stranger.call('tokens.exchange', { body: { password, name: 'tests' } })).data;
    const client = createClient({ url, headers: { authorization: `Bearer ${token}` } });
    await client.call('embeds.create', { body: { name: 'Opening talk', text: talkCode(1) } });

    const key = join(folder, 'key.txt');
    const made = await runAtServer('backup', ['--new-key', key], env);
    const recipient = /^age1\w+/.exec(made.out)![0];
    expect((await runAtServer('backup', ['--new-key', key], env)).err).to.include('already');
    const to = join(folder, 'by-hand');
    const copied = await runAtServer('backup', ['--to', to, '--recipient', recipient, '--json'], env);
    expect(copied.err).to.equal('');
    const told = JSON.parse(copied.out) as { path: string; isReadBack: boolean };
    expect(told.path).to.match(/\.tar\.gz\.age$/);
    expect(told.isReadBack).to.equal(true);

    await client.call('embeds.create', { body: { name: 'Later talk', text: talkCode(1, 'aB3cD') } });
    const checked = await runAtServer('restore', [told.path, '--check', '--identity', key], env);
    expect(checked.out).to.match(/^The copy is whole: of \d{4}-\d\d-\d\d \d\d:\d\d UTC, by Orbis 0\.1\.0, /);
    expect(checked.out).to.match(
      /has one change that is not in it:\n {2}\d{4}-\d\d-\d\d \d\d:\d\d UTC {2}.*later-talk.*, by Hollin Fell\n$/,
    );
    const [act] = (await client.call('audit.list', { query: { act: 'server' } })).data.items;
    expect(act).to.deep.include({
      ...{ act: 'server.backup', means: 'server', who: null, network: '', thing: told.path },
      said: `Made the safety copy ${basename(told.path)}`,
    });
    const away = { ...env, ORBIS_DATABASE_URL: 'mysql://orbis@127.0.0.1:1/orbis' };
    const unseen = await runAtServer('restore', [told.path, '--check', '--identity', key], away);
    expect([unseen.status, unseen.out]).to.satisfy(
      ([status, out]: [number, string]) =>
        status === 0 &&
        /\nWhat the Orbis that is running has that came after it could not be seen: .+\n$/.test(out),
    );
    const closed = await runAtServer('restore', [told.path, '--check'], env);
    expect([closed.status, closed.err]).to.deep.equal([
      1,
      'The copy is encrypted: give the file with its key (--identity FILE).\n',
    ]);
    const full = join(folder, 'not-empty');
    mkdirSync(full);
    writeFileSync(join(full, 'x'), '');
    const refused = await runAtServer('restore', [told.path, '--identity', key, '--into', full], env);
    expect(refused.err).to.include('is not empty');
    const [address, elsewhere] = [join(folder, 'address.txt'), join(folder, 'elsewhere')];
    const toDatabase = ['--identity', key, '--into', elsewhere, '--database-from', address];
    writeFileSync(address, 'db.example\n');
    const wrong = await runAtServer('restore', [told.path, ...toDatabase], env);
    expect([wrong.status, wrong.err]).to.deep.equal([
      1,
      `${address} does not hold an address such as mysql://orbis:…@db.example/orbis.\n`,
    ]);
    const database = await newDatabase();
    writeFileSync(address, `${database}\n`);
    const there = await runAtServer('restore', [told.path, ...toDatabase], env);
    expect(there.out).to.include(`ORBIS_DATA=${elsewhere} ORBIS_DATABASE_URL=… npm start`);
    const connection = await mysql.createConnection(database);
    const [embeds] = await connection.query('select name from embed');
    expect(embeds).to.deep.equal([{ name: 'Opening talk' }]);
    await connection.end();

    const into = join(folder, 'put-back');
    const back = await runAtServer('restore', [told.path, '--identity', key, '--into', into], env);
    expect(back.err).to.equal('');
    expect(back.out).to.include(`ORBIS_DATA=${into} npm start`);
    expect(readdirSync(join(into, 'keys'))).to.not.include('copies-identity');
    // Beside the one that runs still.
    const second = runOrbis(into, { ...env, ORBIS_DATA: into });
    await second.says('Orbis is running');
    const other = createClient({ url: /Orbis is running: (\S+)/.exec(second.err())![1]! });
    const again = await other.call('tokens.exchange', { body: { password, name: 'after' } });
    const signedIn = createClient({
      url: /Orbis is running: (\S+)/.exec(second.err())![1]!,
      headers: { authorization: `Bearer ${again.data.token}` },
    });
    expect((await signedIn.call('embeds.list', {})).data.items.map(({ name }) => name)).to.deep.equal([
      'Opening talk',
    ]);
    for (const each of [first, second]) {
      each.child.kill('SIGTERM');
      await each.ended;
    }
  });
});

describe('a newer version', () => {
  const sql = readFileSync(new URL('registers/0009.sql', import.meta.url), 'utf8');
  let folder: string;
  beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'orbis-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  const onOldRegister = async (env: Record<string, string> = {}) => {
    const database = await newDatabase();
    const connection = await mysql.createConnection({ uri: database, multipleStatements: true });
    await connection.query(sql);
    const settings = readSettings(
      { ORBIS_DATA: folder, ORBIS_DATABASE_URL: database, ORBIS_PORT: '0', ORBIS_FRAMES_PORT: '0', ...env },
      folder,
    );
    const told: string[] = [];
    const start = () =>
      startOrbis(settings, { log: pino({ level: 'silent' }), tell: (said) => void told.push(said) });
    return { connection, start, told };
  };

  it('makes a copy before it changes the tables, says how far it is, and only the first time', async () => {
    const { connection, start, told } = await onOldRegister();
    const [[counted]] = await connection.query<mysql.RowDataPacket[]>('select count(*) as n from embed');
    await (await start()).stop();
    const [name] = readdirSync(join(folder, 'copies'));
    expect(name).to.match(/^orbis-\w+-before-upgrade\.tar\.gz$/);
    const manifest = await readCopy(join(folder, 'copies', name!), []);
    expect(manifest.tables['embed']!.rows).to.equal(counted!['n']);
    expect(Object.keys(manifest.tables), 'as it was').to.not.include('copy');
    expect(told[0]).to.equal('This version keeps its register in another form. A safety copy is made first.');
    expect(told[1]).to.include('The copy is whole: ');
    expect(told.at(-1)).to.match(/^The register is brought to its new form: (\d+) of \1 steps\.$/);
    told.length = 0;
    await (await start()).stop();
    expect(told).to.deep.equal([]);
    expect(readdirSync(join(folder, 'copies'))).to.have.length(1);
    await connection.end();
  });

  it('changes nothing where no copy can be made, unless it is told to do without', async () => {
    writeFileSync(join(folder, 'no-folder'), '');
    const { connection, start } = await onOldRegister({ ORBIS_COPIES_TO: join(folder, 'no-folder', 'x') });
    await start().then(
      () => expect.fail(),
      (error: Error) =>
        expect(error.message)
          .to.include('No safety copy could be made before the register is brought to its new form')
          .and.include('Nothing was changed.'),
    );
    const [tables] = (await connection.query("show tables like 'copy'")) as unknown as [unknown[]];
    expect(tables).to.deep.equal([]);
    await connection.end();
    const without = await onOldRegister({ ORBIS_COPY_BEFORE_UPGRADE: 'no' });
    await (await without.start()).stop();
    expect(readdirSync(folder)).to.not.include('copies');
    await without.connection.end();
  });

  it('is what an older one says that it meets, and leaves alone', async () => {
    const { connection, start } = await onOldRegister();
    await (await start()).stop();
    await connection.query(
      "insert into migration values (repeat('f', 64), 0, utc_timestamp(3), utc_timestamp(3))",
    );
    await connection.query("update installation set version = '9.0.0'");
    await start().then(
      () => expect.fail(),
      (error: Error) =>
        expect(error.message).to.equal(
          'This register was last used by Orbis 9.0.0, and this is 0.1.0, which does not know its tables: start that version, or put back a safety copy from before.',
        ),
    );
    await connection.end();
  });
});
