import { createServer, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect } from 'chai';
import { startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { until } from '../../service/test/support/until.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with what pauses, moves and goes', () => {
  let test: TestOrbis;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis();
    await orbis(`add site hollinfell http://hollinfell.localhost:${test.world.port}`);
    await orbis('add page hollinfell/talks');
    for (const spot of ['opening', 'north']) await orbis(`add spot hollinfell/talks#${spot}`);
    await test.client.call('embeds.create', { body: { name: 'Talk', text: talkCode(test.world.port) } });
    await orbis('place talk hollinfell/talks#opening');
  });
  after(() => test.stop());

  it('pauses with a note, and says where to go on', async () => {
    const { out, exit } = await orbis(
      'change placement talk@hollinfell/talks#opening --pause --note "until May"',
    );
    expect(exit).to.equal(0);
    expect(out)
      .to.match(/State +paused since .+\n/)
      .and.match(/Note +until May\n/)
      .and.match(/Paused +since /);
    expect(out).to.include('“orbis plan hollinfell/talks” says what to do there now.\n');
    const code = await orbis('code talk hollinfell/talks#opening');
    expect([code.exit, code.err]).to.deep.equal([
      4,
      '“talk” is paused there: nothing of it is to be pasted. Let it go on first. “orbis change placement EMBED@PLACE --resume” does.\n',
    ]);
    expect((await orbis('list placements --state paused')).out).to.include('hollinfell/talks#opening');
    await orbis('change placement talk@hollinfell/talks#opening --resume --note none');
    expect((await orbis('change placement talk@hollinfell/talks#opening')).exit).to.equal(2);
  });

  it('sees what is on a preview, apart from what is published', async () => {
    const at = `http://darkskyweek.localhost:${test.world.port}`;
    await orbis(`change site hollinfell --also ${at}`);
    const { exit, out } = await orbis(`sweep hollinfell --at ${at}`);
    expect([exit, out]).to.satisfy(
      ([status, text]: [number, string]) =>
        status === 1 &&
        text.includes('hollinfell/talks (not read)') &&
        text
          .replaceAll('\n', ' ')
          .includes(`Read at ${at}: what is seen there says nothing of what is published`),
    );
    expect((await orbis('list sweeps')).out).to.include(`hollinfell at ${at}`);
    const other = await orbis('sweep hollinfell --at http://moorhostel.localhost');
    expect([other.exit, other.err]).to.deep.equal([
      2,
      `http://moorhostel.localhost is no further address of the site hollinfell: it has ${at}. “orbis change site SITE --also” says which it has.\n`,
    ]);
  });

  it('pauses a sweep, lets it go on, and stops it', async () => {
    const site = createServer();
    const pages: ServerResponse[] = [];
    site.on('request', (_request, response) => void pages.push(response));
    await new Promise<void>((resolve) => site.listen(0, '127.0.0.1', resolve));
    await orbis(`add site slow http://slow.localhost:${(site.address() as AddressInfo).port}`);
    await orbis('add page slow/a');
    await orbis('add page slow/b');
    const { data } = await test.client.call('sweeps.create', { body: { site: 'slow' } });
    await until(async () => pages.length === 1);
    expect((await orbis(`change sweep ${data.id} --pause`)).out).to.equal('Paused: 0 pages of 2 read.\n');
    expect((await orbis('list sweeps')).out).to.match(/slow +paused +0 of 2/);
    expect((await orbis(`change sweep ${data.id} --resume`)).out).to.equal(
      'It goes on: 0 pages of 2 read.\n',
    );
    expect((await orbis(`change sweep ${data.id}`)).exit).to.equal(2);
    expect((await orbis(`change sweep ${data.id} --stop`)).out).to.equal('Stopped: 0 pages of 2 read.\n');
    pages[0]!.writeHead(200, { 'content-type': 'text/html' }).end('<p>x</p>');
    await until(async () => (await orbis('list sweeps')).out.includes('stopped'));
    const late = await orbis(`change sweep ${data.id} --pause`);
    expect([late.exit, late.err]).to.deep.equal([4, 'This sweep has ended already.\n']);
    site.closeAllConnections();
    site.close();
  });

  it('has a site read by itself, as it is said', async () => {
    const said = async (words: string) => (await orbis(`change site hollinfell ${words}`)).out;
    expect(await said('--sweep day@3:00 --time-zone Europe/London')).to.match(
      /Read +every day at 03:00 \(Europe\/London\), next \d+ \w+ 2\d{3}/,
    );
    expect(await said('--sweep monday')).to.match(/Read +every Monday at 03:00 \(/);
    expect(await said('--sweep hour@00:20')).to.match(/Read +every hour, 20 minutes past, next/);
    expect(await said('--sweep never')).to.match(/Read +only when somebody asks\n/);
    expect((await orbis('change site hollinfell --time-zone Etc/UTC')).exit).to.equal(2);
    const wrong = await orbis('change site hollinfell --sweep noon');
    expect([wrong.exit, wrong.err]).to.deep.equal([
      2,
      '“noon” is no time that comes again. Say hour, day@03:00, monday@03:00 or never.\n',
    ]);
  });

  it('keeps a search of the register under a name', async () => {
    expect((await orbis('add search waiting state=planned site=hollinfell')).out).to.equal(
      'Kept as “waiting”: state=planned site=hollinfell\n',
    );
    expect((await orbis('list placements --search waiting')).out).to.include('hollinfell/talks#opening');
    expect((await orbis('change search waiting state=missing')).out).to.match(/^Finds +state=missing$/m);
    expect((await orbis('list placements --search waiting')).out).to.include('There is no such placement.');
    expect((await orbis('list placements --search waiting --where state=live')).err).to.equal(
      'Give --search or --where: only one of them.\n',
    );
    expect((await orbis('add search odd colour=green')).exit).to.equal(2);
    expect((await orbis('list searches')).out).to.match(/^waiting +state=missing$/m);
    expect((await orbis('remove search waiting')).out).to.equal('Removed the search “waiting”.\n');
    expect((await orbis('show search waiting')).err).to.include('“orbis list searches” shows what there is.');
  });

  it('puts pages on a list, and ticks them off', async () => {
    const made = await orbis('add changelist "New films" --where state=planned');
    const id = /as (\w+)\./.exec(made.out)![1]!;
    expect(made.out).to.equal(`Listed 1 page as ${id}. “orbis show changelist ${id}” shows them.\n`);
    const shown = await orbis(`show changelist ${id}`);
    expect([shown.exit, shown.out]).to.satisfy(
      ([exit, out]: [number, string]) =>
        exit === 1 && /Ticked +0 of 1 page\n/.test(out) && /hollinfell\/talks +talk planned\n/.test(out),
    );
    expect((await orbis(`tick ${id} hollinfell/talks`)).out).to.equal(
      'Ticked hollinfell/talks: 1 of 1 page done.\n',
    );
    expect((await orbis(`tick ${id} hollinfell/talks`)).exit).to.equal(4);
    expect((await orbis(`show changelist ${id}`)).exit).to.equal(0);
    expect((await orbis(`show changelist ${id} --open`)).out).to.include('No page is open.');
    await orbis(`tick ${id} hollinfell/talks --undo`);
    expect((await orbis('list changelists')).out).to.match(/New films +0 of 1 page\n/);
    expect((await orbis(`change changelist ${id}`)).out).to.equal('No page has come since.\n');
    await orbis(`remove changelist ${id}`);
    expect((await orbis(`show changelist ${id}`)).err).to.include('“orbis list changelists”');
  });

  it('moves an embed to another spot', async () => {
    const { out } = await orbis('change placement talk@hollinfell/talks#opening --to hollinfell/talks#north');
    expect(out).to.match(
      /^Moved talk from hollinfell\/talks#opening to hollinfell\/talks#north \(placement \w+\)\.\n“orbis plan hollinfell\/talks” says what to take out and what to paste\.\n$/,
    );
  });

  it('says what becomes of what is placed there, before a page or a site goes', async () => {
    const moved = await orbis('change page hollinfell/talks --path /lectures');
    expect(moved.out)
      .to.match(/^Page +hollinfell\/lectures\n/)
      .and.include('One embed is placed there and goes along: nothing has to be pasted anew.');
    const refused = await orbis('remove page hollinfell/lectures');
    expect([refused.exit, refused.err]).to.deep.equal([
      4,
      'The page “hollinfell/lectures” cannot be removed: one embed is placed there; it ends with it. Say --end-placements to remove it all the same.\n',
    ]);
    expect((await orbis('remove site hollinfell')).exit).to.equal(4);
    expect((await orbis('remove site hollinfell --end-placements')).out).to.equal(
      'Removed the site hollinfell with 1 page, and ended 1 placement.\n',
    );
    expect((await orbis('undo')).out).to.include('Taken back.');
    expect((await orbis('where talk')).out).to.include('hollinfell/lectures#north');
    expect((await orbis('remove page hollinfell/lectures --end-placements')).out).to.equal(
      'Removed the page hollinfell/lectures, and ended 1 placement.\n',
    );
  });
});
