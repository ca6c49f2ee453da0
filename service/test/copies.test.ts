/* Safety copies: made while others write, read back, encrypted, broken off, damaged, and put back. */
import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { expect } from 'chai';
import mysql from 'mysql2/promise';
import { extract, pack } from 'tar-stream';
import { newIdentity } from '../src/copies/age.ts';
import { makeCopy, type CopyWish } from '../src/copies/make-copy.ts';
import { rowsIn, type Manifest } from '../src/copies/manifest.ts';
import { rehearse, tablesIn } from '../src/copies/rehearse.ts';
import { readCopy } from '../src/copies/unpack.ts';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from './support/orbis.ts';
import { until } from './support/until.ts';

describe('safety copies', () => {
  let test: TestOrbis;
  let folder: string;
  let root: string;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    folder = mkdtempSync(join(tmpdir(), 'orbis-test-'));
    root = join(folder, 'data');
    mkdirSync(join(root, 'keys'), { recursive: true });
    mkdirSync(join(root, 'looks/2026'), { recursive: true });
    writeFileSync(join(root, 'keys/cookie'), 'secret of the machine\n');
    writeFileSync(join(root, 'looks/2026/390.webp'), Buffer.from([0x52, 0x49, 0x46, 0x46, 0, 1, 2, 3]));
    const { data, etag } = await test.client.call('embeds.create', {
      body: { name: 'Night’s “talk”', text: talkCode(test.world.port) },
    });
    await test.client.call('embeds.change', {
      params: { embed: data.key },
      body: { notes: "It's said:\n(2,'x'),\nINSERT INTO `embed` VALUES\n(3);\n" },
      ifMatch: etag ?? '*',
    });
  });
  after(async () => {
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  let made = 0;
  const wish = (values: Partial<CopyWish> = {}): CopyWish => ({
    to: join(folder, 'copies'),
    ...{ url: test.database, root, recipients: [], version: '0.1.0', lastChange: 1 },
    // Each has a second of its own, as its name has.
    at: new Date(Date.UTC(2026, 10, 30, 3, 30, made++)),
    ...values,
  });
  /* Why a copy is refused. */
  const fault = (path: string, identities: readonly string[] = []): Promise<string> =>
    readCopy(path, identities).then(
      () => 'whole',
      (error: Error) => error.message,
    );

  it('have all that there is in them, in open forms', async () => {
    const copy = await makeCopy(wish());
    expect(copy.manifest.tables['embed']).to.include({ rows: 1 });
    expect(copy.manifest.files.map(({ path }) => path).sort()).to.deep.equal([
      ...['keys/cookie', 'looks/2026/390.webp'],
    ]);
    const listed = spawnSync('tar', ['-tzf', copy.path], { encoding: 'utf8' });
    expect(listed.stdout.trim().split('\n')).to.deep.equal([
      ...['register/00001.sql', 'keys/cookie', 'looks/2026/390.webp', 'manifest.json'],
    ]);
    expect(await readCopy(copy.path, [])).to.deep.equal(copy.manifest);
    const now = await tablesIn(test.database);
    expect(Object.keys(copy.manifest.tables)).to.deep.equal(Object.keys(now));
    for (const name of ['embed', 'source', 'site', 'migration'])
      expect(copy.manifest.tables[name], name).to.deep.equal(now[name]);
    expect(readdirSync(join(folder, 'copies'))).to.deep.equal([copy.name]);
  });

  it('come back row by row, from a database on the side', async () => {
    const copy = await makeCopy(wish());
    const back = await rehearse(copy.path, [], join(folder, 'side'));
    expect(back).to.deep.equal(copy.manifest);
    expect(readdirSync(folder)).to.not.include('side');
  });

  it('are of one moment, however much is written meanwhile', async () => {
    const database = await mysql.createConnection(test.database);
    await database.query('create table pair_a (n int primary key, pad varchar(2000))');
    await database.query('create table pair_z (n int primary key, pad varchar(2000))');
    let writing = true;
    let n = 0;
    // Always as many rows in both: first one, then the other, and both at once for everybody else.
    const writer = (async () => {
      const other = await mysql.createConnection(test.database);
      for (; writing; n++) {
        await other.beginTransaction();
        await other.query('insert into pair_a values (?, ?)', [n, 'x'.repeat(1500)]);
        await other.query('insert into pair_z values (?, ?)', [n, 'x'.repeat(1500)]);
        await other.commit();
      }
      await other.end();
    })();
    await until(async () => Promise.resolve(n > 200));
    const copies: Manifest[] = [];
    for (let i = 0; i < 3; i++) {
      const copy = await makeCopy(wish());
      copies.push(await rehearse(copy.path, [], join(folder, 'side')));
    }
    writing = false;
    await writer;
    const counts = copies.map(({ tables }) => [tables['pair_a']!.rows, tables['pair_z']!.rows]);
    for (const [a, z] of counts) expect(a).to.equal(z);
    expect(counts[0]![0], 'the first one').to.be.at.least(200);
    expect(counts[2]![0], 'more was written meanwhile').to.be.greaterThan(counts[0]![0]!);
    await database.query('drop table pair_a, pair_z');
    await database.end();
  });

  it('are encrypted for whoever is named, and for this machine, which reads them back', async () => {
    const { identity, recipient } = await newIdentity();
    const copy = await makeCopy(wish({ recipients: [recipient] }));
    expect(copy.name).to.match(/\.tar\.gz\.age$/);
    const bytes = readFileSync(copy.path);
    expect(bytes.subarray(0, 21).toString()).to.equal('age-encryption.org/v1');
    expect(bytes.includes('secret of the machine')).to.equal(false);
    expect(copy.manifest.files.map(({ path }) => path)).to.not.include('keys/copies-identity');
    expect(await readCopy(copy.path, [identity])).to.deep.equal(copy.manifest);
    expect(await rehearse(copy.path, copy.identities, join(folder, 'side'))).to.deep.equal(copy.manifest);
    expect(await fault(copy.path)).to.equal(
      'The copy is encrypted: give the file with its key (--identity FILE).',
    );
    expect(await fault(copy.path, [(await newIdentity()).identity])).to.include(
      'does not open with that key',
    );
    expect(await fault(copy.path, ['hello'])).to.include('AGE-SECRET-KEY-');
    await makeCopy(wish({ recipients: ['age1nonsense'] })).then(
      () => expect.fail(),
      (error: Error) => expect(error.message).to.include('is no age recipient'),
    );
  });

  it('that are damaged or cut off are refused, wherever that is', async () => {
    const { identity, recipient } = await newIdentity();
    for (const recipients of [[], [recipient]]) {
      const copy = await makeCopy(wish({ recipients }));
      const { length } = readFileSync(copy.path);
      const spoilt = join(folder, 'spoilt');
      for (const share of [0.001, 0.1, 0.5, 0.9, 0.999]) {
        copyFileSync(copy.path, spoilt);
        truncateSync(spoilt, Math.floor(length * share));
        expect(await fault(spoilt, [identity]), `cut at ${share}`).to.not.equal('whole');
        const bytes = readFileSync(copy.path);
        const at = Math.floor(length * share);
        bytes[at] = bytes[at]! ^ 0x55;
        writeFileSync(spoilt, bytes);
        expect(await fault(spoilt, [identity]), `changed at ${share}`).to.not.equal('whole');
      }
    }
    expect(await fault(join(folder, 'nothing'))).to.include('cannot be read (ENOENT)');
  });

  /* A copy in which something was changed by somebody who knows how it is made. */
  const changed = async (
    path: string,
    change: (name: string, bytes: Buffer) => { name: string; bytes: Buffer } | null,
  ): Promise<string> => {
    const out = pack();
    const archive = extract();
    archive.end(gunzipSync(readFileSync(path)));
    for await (const entry of archive) {
      const chunks: Uint8Array[] = [];
      for await (const chunk of entry as AsyncIterable<Uint8Array>) chunks.push(chunk);
      const put = change(entry.header.name, Buffer.concat(chunks));
      if (put) out.entry({ name: put.name }, put.bytes);
    }
    out.finalize();
    const all: Uint8Array[] = [];
    for await (const chunk of out as AsyncIterable<Uint8Array>) all.push(chunk);
    const written = join(folder, 'changed.tar.gz');
    writeFileSync(written, gzipSync(Buffer.concat(all)));
    return written;
  };

  it('in which a row, a file or a name was changed are refused, and told of', async () => {
    const { path } = await makeCopy(wish());
    const same = (name: string, bytes: Buffer) => ({ name, bytes });
    expect(await fault(await changed(path, same))).to.equal('whole');
    const cases: [string, Parameters<typeof changed>[1]][] = [
      [
        'Its rows are not as they were written: embed.',
        (name, bytes) =>
          same(
            name,
            name.endsWith('.sql')
              ? Buffer.from(
                  bytes.toString('utf8').replace(/(INSERT INTO `embed` VALUES\n.*?)Night’s/, '$1Day’s'),
                )
              : bytes,
          ),
      ],
      [
        'Its files are not as they were written: keys/cookie.',
        (name, bytes) => same(name, name === 'keys/cookie' ? Buffer.from('another') : bytes),
      ],
      [
        'Its files are not as they were written: keys/cookie.',
        (name, bytes) => (name === 'keys/cookie' ? null : same(name, bytes)),
      ],
      [
        'It is not whole: its end is missing.',
        (name, bytes) => (name === 'manifest.json' ? null : same(name, bytes)),
      ],
      [
        '“../../etc/cron.d/x” is nothing that a copy has in it.',
        (name, bytes) => same(name === 'keys/cookie' ? '../../etc/cron.d/x' : name, bytes),
      ],
      [
        'It was made by a newer version of Orbis (9.0.0); this one cannot read it.',
        (name, bytes) =>
          same(name, name === 'manifest.json' ? Buffer.from('{"copy":2,"version":"9.0.0"}') : bytes),
      ],
    ];
    for (const [said, change] of cases) expect(await fault(await changed(path, change))).to.equal(said);
  });

  it('leave no half of themselves behind where they are broken off', async () => {
    const leave = new AbortController();
    const to = join(folder, 'broken-off');
    const making = makeCopy(wish({ to, signal: leave.signal }));
    setTimeout(() => leave.abort(), 30);
    await making.then(
      () => undefined,
      () => undefined,
    );
    expect(readdirSync(to).filter((name) => name.endsWith('.part'))).to.deep.equal([]);
    await makeCopy(wish({ to, url: test.database.replace(/\/test_\w+/, '/nothing_there') })).then(
      () => expect.fail(),
      (error: Error) => expect(error.message).to.match(/^mariadb-dump: .*nothing_there/),
    );
    expect(readdirSync(to).filter((name) => name.endsWith('.part'))).to.deep.equal([]);
    expect(rowsIn((await makeCopy(wish({ to }))).manifest.tables)).to.be.greaterThan(0);
  });
});
