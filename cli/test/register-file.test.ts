import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt } from './support.ts';

describe('the command line, with a whole register', () => {
  let one: TestOrbis;
  let other: TestOrbis;
  const folder = mkdtempSync(join(tmpdir(), 'orbis-register-'));
  const file = join(folder, 'register.ndjson');
  before(async () => {
    one = await startTestOrbis();
    other = await startTestOrbis();
    const orbis = typedAt(one);
    await orbis(`add site hollinfell http://hollinfell.localhost:${one.world.port}`);
    await orbis('add page hollinfell/talks');
    await orbis('add spot hollinfell/talks#main');
    await orbis('collect - --name Talk', talkCode(one.world.port));
    await orbis('place talk hollinfell/talks#main');
    await orbis('code talk hollinfell/talks#main');
  });
  after(async () => {
    rmSync(folder, { recursive: true });
    await one.stop();
    await other.stop();
  });

  it('writes it to a file, and takes it into an empty one', async () => {
    const { exit, out } = await typedAt(one)(`export ${file}`);
    expect([exit, out]).to.deep.equal([0, `Wrote 11 lines to ${file}.\n`]);
    const taken = await typedAt(other)(`import ${file}`);
    expect(taken.err).to.equal('');
    expect(taken.out).to.equal(
      'Taken in: 1 site, 1 page, 1 spot, 1 embed, 1 revision, 1 placement, 1 delivery.\n',
    );
    expect((await typedAt(other)('code talk hollinfell/talks#main')).out).to.equal(
      (await typedAt(one)('code talk hollinfell/talks#main')).out,
    );
    const again = await typedAt(other)(`import ${file}`);
    expect(again.exit).to.equal(4);
    expect(again.err).to.include('Nothing was taken in.');
  });

  it('writes it to standard output, and reads it from standard input', async () => {
    const { out } = await typedAt(one)('export');
    expect(out.replace(/"at":"[^"]*"/, '')).to.equal(readFileSync(file, 'utf8').replace(/"at":"[^"]*"/, ''));
    const refused = await typedAt(other)('import - --tag old', out);
    expect(refused.exit).to.equal(2);
    expect(refused.err).to.include('taken in as it is');
    const broken = await typedAt(other)('import -', out.slice(0, -20));
    expect(broken.exit).to.equal(4);
  });

  it('writes placements as a table', async () => {
    const table = join(folder, 'placements.csv');
    const { out } = await typedAt(one)(`export --csv ${table}`);
    expect(out).to.equal(`Wrote 1 placement to ${table}.\n`);
    expect(readFileSync(table, 'utf8')).to.match(
      /^placement,embed,name,.*\r\n\w{10},talk,Talk,hollinfell,hollinfell\/talks,main,/,
    );
  });

  it('writes what was done as a feed', async () => {
    const feed = join(folder, 'changes.atom');
    const { out } = await typedAt(one)(`export --atom ${feed}`);
    expect(out).to.equal(`Wrote the feed to ${feed}.\n`);
    expect(readFileSync(feed, 'utf8')).to.include('<title>Collected talk</title>');
    expect((await typedAt(one)('export --atom --csv')).err).to.include('not both');
  });

  it('still takes codes out of NDJSON, from standard input as well', async () => {
    const codes = join(folder, 'codes.ndjson');
    const line = JSON.stringify({ name: 'Another', code: talkCode(one.world.port, 'fN2north') });
    writeFileSync(codes, `${line}\n`);
    expect((await typedAt(one)(`import ${codes}`)).out).to.include('1 code taken in');
    expect((await typedAt(one)('import -', `${line}\n`)).out).to.include('1 code taken in');
    const { exit, err } = await typedAt(one)(`export ${join(folder, 'no', 'such', 'folder')}`);
    expect([exit, err.includes('cannot be written')]).to.deep.equal([2, true]);
  });
});
