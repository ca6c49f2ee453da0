import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { get } from '../../service/test/support/get.ts';
import { until } from '../../service/test/support/until.ts';
import { typedAt, type Ran } from './support.ts';

const form =
  '<form action="https://formwold.localhost/letters/a"><input name="mail"></form><script>const joining = 1;</script>';

describe('the frame of an embed from the command line', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    await declareSite(test);
    await orbis('collect - --name Form', form);
    await orbis('collect - --name Talk', talkCode(test.world.port));
  });
  after(() => test.stop());
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const unfolded = (text: string): string => text.replace(/\s+/g, ' ');

  it('says which way is recommended and why, and what its frame lets it do', async () => {
    const { exit, out } = await orbis('permissions form');
    expect(exit).to.equal(0);
    expect(unfolded(out))
      .to.include('Its frame: None. In the page itself')
      .and.include('Recommended: Enclosed (frame=enclosed), as it takes the name “joining” for itself')
      .and.match(/may-send-forms yes Sends forms the code has a form to send/);
    const talk = JSON.parse((await orbis('permissions talk --json')).out) as Record<string, unknown>;
    expect(talk).to.deep.include({ way: 'none', recommended: 'none' });
  });

  it('puts it into one, where it is asked', async () => {
    const refused = await orbis('set talk frame=enclosed');
    expect([refused.exit, unfolded(refused.err)]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 2 && err.includes('shows a frame of its provider'),
    );
    expect((await orbis('set form frame=enclosed may-download=on')).exit).to.equal(0);
    expect((await orbis('code form --bare')).out).to.match(
      /^<script>.*<\/script><iframe srcdoc="<!doctype html>.* sandbox="allow-scripts allow-forms allow-downloads"/s,
    );
    expect(unfolded((await orbis('permissions form')).out))
      .to.include('Its frame: Enclosed.')
      .and.match(/may-download yes Starts downloads you allow it/);
  });

  it('says whom it contacts, finds that out, and fixes it', async () => {
    const calendar = `<div class="slotsedge-calendar" data-calendar="x"></div><script async src="http://cdn.slotsedge.localhost:${test.world.port}/booking.js"></script>`;
    await orbis('collect - --name Calendar', calendar);
    expect((await orbis('contacts calendar')).out).to.equal(
      'By its code it contacts cdn.slotsedge.localhost.\n',
    );
    const alone = await orbis('contacts calendar --fix');
    expect([alone.exit, alone.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 2 && err.includes('--learn'),
    );
    expect((await orbis('contacts calendar --learn --fix')).err).to.include('frame=enclosed, served or file');
    await orbis('set calendar frame=enclosed');
    const fixed = await orbis('contacts calendar --learn --fix');
    expect(unfolded(fixed.out))
      .to.match(/^It may contact cdn.slotsedge.localhost, and no other host/)
      .and.include('cdn.slotsedge.localhost scripts at once')
      .and.include('Any other host is blocked from now on.');
    expect(JSON.parse((await orbis('contacts calendar --json --forget')).out)).to.deep.equal({
      fixed: true,
      hosts: ['cdn.slotsedge.localhost'],
      leftOut: [],
      learned: null,
      blocked: [],
    });
    await orbis('set calendar contacts=elsewhere.localhost');
    expect((await orbis('contacts calendar')).out).to.include('which you have left out');
  });

  it('is served at the place, and stands in the page without one, which is said', async () => {
    await orbis('set talk frame=served');
    expect((await orbis('code talk --bare')).out).to.not.include('sandbox');
    expect(unfolded((await orbis('permissions talk')).out)).to.match(
      /^Its document is served for a placement/,
    );
    await orbis('place talk hollinfell/talks#opening');
    expect((await orbis('code talk hollinfell/talks#opening')).out).to.match(
      /^<iframe data-orbis="[0-9a-z]{10}\.1" src="http:\/\/[0-9a-z]{10}\.frames\.localhost:\d+\/"/,
    );
  });

  it('says how often it was shown and where', async () => {
    const named = 'talk@hollinfell/talks#opening';
    expect((await orbis(`views ${named}`)).out).to.match(/^It was not shown since \d{4}-\d{2}-\d{2}/);
    const alone = await orbis('views talk');
    expect([alone.exit, alone.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 2 && err.includes('talk@SITE/PATH#SPOT'),
    );
    const { out } = await orbis('code talk hollinfell/talks#opening');
    const link = /src="([^"]+)"/.exec(out)![1]!;
    const page = `http://hollinfell.localhost:${test.world.port}/elsewhere`;
    await get(link, { headers: { 'sec-fetch-dest': 'iframe', 'referer': page } });
    await until(async () => (await orbis(`views ${named}`)).out.startsWith('Shown 1 time since'));
    expect(unfolded((await orbis(`views ${named}`)).out))
      .to.include('at 1 address, 1 of them not in the register.')
      .and.include(`${page} 1 `);
  });

  it('prints the file that goes onto the owner’s server', async () => {
    const none = await orbis('permissions form --document');
    expect([none.exit, none.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 2 && err.includes('frame=file'),
    );
    await orbis('set form frame=file frame-file=https://hollinfell.localhost/form.html');
    const { out } = await orbis('permissions form --document');
    expect(out)
      .to.match(/^<!doctype html>\n<html lang="en">/)
      .and.include(form);
  });

  it('keeps the style of a site for what is in frames, begun with its colours or of one’s own', async () => {
    expect((await orbis('style hollinfell')).out).to.match(/^There is none\./);
    const starter = await orbis('style hollinfell --starter');
    expect(starter.out).to.match(/^body \{\n {2}font-family: "DejaVu Serif", serif;\n/);
    expect((await orbis('style hollinfell')).out).to.match(/^There is none\./);
    expect((await orbis('style hollinfell --starter --keep')).exit).to.equal(0);
    expect((await orbis('style hollinfell')).out).to.equal(starter.out);
    const style = 'button { color: teal }';
    expect((await orbis('style hollinfell -', style)).out).to.include('Hollin Fell has this style');
    expect(JSON.parse((await orbis('style hollinfell --json')).out)).to.deep.equal({
      site: 'hollinfell',
      style,
    });
    const refused = await orbis('style hollinfell -', 'a { color: red } </style>');
    expect([refused.exit, refused.err.includes('a style without “</style”')]).to.deep.equal([2, true]);
    for (const wrong of [
      'style hollinfell --keep',
      'style hollinfell --starter --none',
      'style hollinfell no.css',
    ])
      expect((await orbis(wrong)).exit, wrong).to.equal(2);
    expect((await orbis('style hollinfell --none')).exit).to.equal(0);
    expect((await orbis('style hollinfell')).out).to.match(/^There is none\./);
  });

  it('hands the file out that its frame shows, and says where it is put', async () => {
    const address = 'https://hollinfell.localhost/embeds/form.html';
    await orbis(`set form frame=file frame-file=${address}`);
    await orbis('place form hollinfell/talks#opening');
    const code = await orbis('code form hollinfell/talks#opening');
    expect(code.out).to.include(`src="${address}"`);
    expect(code.err).to.include('with --file this prints what stands in it');
    const file = await orbis('code form hollinfell/talks#opening --file');
    expect(file.out)
      .to.match(/^<!doctype html>/)
      .and.include('action="https://formwold.localhost/letters/a"');
    const plan = (await orbis('plan hollinfell/talks')).out;
    expect(plan).to.match(
      new RegExp(`^1\\. Paste – into a file on your server: ${address}\n<!doctype html>`),
    );
    expect(plan).to.include('2. Paste – hollinfell/talks#opening');
    await orbis('place talk hollinfell/talks#opening');
    const none = await orbis('code talk hollinfell/talks#opening --file');
    expect([none.exit, none.err.includes('It stands in no file there.')]).to.deep.equal([2, true]);
  });
});
