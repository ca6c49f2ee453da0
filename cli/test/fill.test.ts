import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { password, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { run, typedAt, type Ran } from './support.ts';

const page = (spot: string, head = ''): string =>
  `---\ntitle: Talks\n---\n<head>\n  <!-- orbis:head hollinfell/talks -->${head}\n  <!-- /orbis:head -->\n</head>\n\n# Talks, überall\n\n<!-- orbis:spot hollinfell/talks#main -->${spot}<!-- /orbis:spot -->\n`;

describe('the command line, with a site that is kept as files', () => {
  let test: TestOrbis;
  const folder = mkdtempSync(join(tmpdir(), 'orbis-fill-'));
  const file = join(folder, 'pages', 'talks.md');
  before(async () => {
    test = await startTestOrbis();
    await orbis(`add site hollinfell http://hollinfell.localhost:${test.world.port}`);
    await orbis('change site hollinfell head=yes');
    await orbis('add page hollinfell/talks');
    await orbis('add spot hollinfell/talks#main');
    await orbis('collect - --name Talk', talkCode(test.world.port));
    await orbis(
      'collect - --name Nights',
      '<div class="slotsedge-calendar" data-calendar="n"></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
    );
    await orbis('place talk hollinfell/talks#main');
    await orbis('place nights hollinfell/talks#main');
    mkdirSync(join(folder, 'pages'));
    mkdirSync(join(folder, 'node_modules'));
    writeFileSync(file, page('\n'));
    writeFileSync(join(folder, 'node_modules', 'theirs.html'), page('\n'));
    writeFileSync(join(folder, 'picture.html.png'), Buffer.from([0x89, 0x50, 0xff]));
  });
  after(async () => {
    rmSync(folder, { recursive: true });
    await test.stop();
  });
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const read = (): string => readFileSync(file, 'utf8');

  it('says what would change, and writes nothing', async () => {
    const before = read();
    const { exit, out } = await orbis(`fill ${folder} --check`);
    expect(exit).to.equal(1);
    expect(out).to.equal(
      `${file}: head hollinfell/talks, spot hollinfell/talks#main\n1 file would change.\n`,
    );
    expect(read()).to.equal(before);
    const { data } = await test.client.call('placements.list', { query: {} });
    expect(data.items.map(({ issued }) => issued)).to.deep.equal([null, null]);
  });

  it('writes what is handed out between the comments, and nothing else; twice is once', async () => {
    const { exit, out } = await orbis(`fill ${folder}`);
    expect([exit, out]).to.deep.equal([
      0,
      `${file}: head hollinfell/talks, spot hollinfell/talks#main\n1 file filled.\n`,
    ]);
    const code = async (embed: string): Promise<string> =>
      (await orbis(`code ${embed} hollinfell/talks#main`)).out.trim();
    const { data } = await test.client.call('plans.read', { params: { page: 'hollinfell/talks' } });
    const spots = data.snippets.filter(({ position }) => position === 'spot').map(({ text }) => text.trim());
    expect([...spots].sort()).to.deep.equal([await code('talk'), await code('nights')].sort());
    expect(read()).to.equal(
      page(
        `\n${spots.join('\n')}\n`,
        '\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>',
      ),
    );
    const once = read();
    expect((await orbis(`fill ${folder} ${file}`)).out).to.equal('All 2 places are as they should be.\n');
    expect((await orbis(`fill ${folder} --check`)).exit).to.equal(0);
    expect(read()).to.equal(once);
  });

  it('fills anew what has changed since, and empties what was ended', async () => {
    await orbis('set talk max-width=320');
    expect((await orbis(`fill ${folder} --check --json`)).exit).to.equal(1);
    expect((await orbis(`fill ${folder} --quiet`)).out).to.equal('');
    expect(read()).to.include('320px');
    const { data } = await test.client.call('placements.list', { query: {} });
    for (const { id } of data.items) await orbis(`remove placement ${id}`);
    await orbis(`fill ${folder}`);
    expect(read()).to.equal(page('\n', ''));
  });

  it('says every comment that is wrong, and a place that is not there, and writes nothing', async () => {
    const broken = join(folder, 'broken.html');
    writeFileSync(broken, '<!-- orbis:spot hollinfell/talks#main -->\n<!-- orbis:sport x -->\n');
    const wrong = await orbis(`fill ${folder}`);
    expect(wrong.exit).to.equal(2);
    expect(wrong.err).to.include(`${broken}, line 2: <!-- orbis:sport x --> is of no known kind`);
    expect(wrong.err).to.include(
      `${broken}, line 1: <!-- orbis:spot hollinfell/talks#main --> is not closed`,
    );
    writeFileSync(broken, '<!-- orbis:spot nowhere/x#y --><!-- /orbis:spot -->');
    const nowhere = await orbis(`fill ${folder}`);
    expect([nowhere.exit, nowhere.err.includes('A file names nowhere/x')]).to.deep.equal([2, true]);
    writeFileSync(
      broken,
      Buffer.from('<!-- orbis:spot hollinfell/talks#main --><!-- /orbis:spot -->\xe9', 'latin1'),
    );
    expect((await orbis(`fill ${broken}`)).err).to.include('is not written in UTF-8');
    rmSync(broken);
    expect((await orbis(`fill ${join(folder, 'none')}`)).exit).to.equal(2);
  });

  it('says where a page needs something in its head, and no file has a place for it', async () => {
    await orbis('place nights hollinfell/talks#main');
    const bare = join(folder, 'bare.html');
    writeFileSync(bare, '<!-- orbis:spot hollinfell/talks#main --><!-- /orbis:spot -->');
    const { err } = await orbis(`fill ${bare} --check`);
    expect(err).to.equal(
      'hollinfell/talks needs something in its head, and no file has a place for it: <!-- orbis:head hollinfell/talks --><!-- /orbis:head -->\n',
    );
    await orbis('head hollinfell --keep booking');
    writeFileSync(bare, '<!-- orbis:head hollinfell --><!-- /orbis:head -->');
    await orbis(`fill ${bare}`);
    expect(readFileSync(bare, 'utf8')).to.equal(
      '<!-- orbis:head hollinfell -->\n<script async src="https://cdn.slotsedge.localhost/booking.js"></script>\n<!-- /orbis:head -->',
    );
    const { data } = await test.client.call('headDeliveries.list', {
      params: { site: 'hollinfell' },
      query: {},
    });
    expect(data.items).to.have.length(1);
  });

  it('goes on with --watch, and fills what has changed, until it is stopped', async () => {
    const watched = join(folder, 'watched.html');
    writeFileSync(watched, '<!-- orbis:spot hollinfell/talks#main --><!-- /orbis:spot -->');
    const stop = new AbortController();
    const env = { ORBIS_URL: test.url, ORBIS_TOKEN: test.token };
    const running = run(['fill', watched, '--watch'], { env, signal: stop.signal });
    const has = (words: string): Promise<void> =>
      until(() => Promise.resolve(readFileSync(watched, 'utf8').includes(words)));
    await has('slotsedge-calendar');
    // As somebody is just editing it.
    writeFileSync(watched, '<!-- orbis:spot hollinfell/talks#main -->');
    await new Promise((resolve) => setTimeout(resolve, 6000));
    writeFileSync(watched, '<!-- orbis:spot hollinfell/talks#main --><!-- /orbis:spot -->');
    await orbis('place talk hollinfell/talks#main');
    await has('play.kinorill.localhost');
    stop.abort();
    const { exit, out, err } = await running;
    expect(err).to.include('is not closed');
    expect([exit, out]).to.deep.equal([
      0,
      `${`${watched}: spot hollinfell/talks#main\n1 file filled.\n`.repeat(2)}`,
    ]);
    rmSync(watched);
  });

  it('needs no more than a token that may read, to check', async () => {
    const { data } = await test.client.call('tokens.create', {
      body: { password, name: 'pipeline', access: 'read' },
    });
    const reading = typedAt({ url: test.url, token: data.token });
    expect((await reading(`fill ${file} --check`)).exit).to.equal(1);
    expect((await reading(`fill ${file}`)).exit).to.equal(4);
    expect(read()).to.equal(page('\n', ''));
  });
});
