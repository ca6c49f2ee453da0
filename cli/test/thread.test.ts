import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { expect } from 'chai';
import { loopbackFetch } from '@orbis/demo';
import { closeBrowser, expectClip, newWindow } from '../../console/test/support/browser.ts';
import { password, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { run, typedAt, type Ran } from './support.ts';

describe('the command line with a service', () => {
  let test: TestOrbis;
  let folder: string;
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    folder = mkdtempSync(join(tmpdir(), 'orbis-cli-'));
  });
  after(async () => {
    await closeBrowser();
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const done = async (line: string, stdin?: string): Promise<string> => {
    const { exit, out, err } = await orbis(line, stdin);
    expect(exit, `${line}\n${out}${err}`).to.equal(0);
    expect(err).to.equal('');
    return out;
  };

  it('goes the whole way, from a pasted code to a clip that is seen live and really plays', async () => {
    expect(await done('collect - --name "Opening talk" --tag talks', talkCode(test.world.port)))
      .to.include('Collected as opening-talk.')
      .and.include('video by Kinorill');
    expect(await done('set opening-talk start=1:52 end=3:04'))
      .to.include('Revision 2 of opening-talk: start not set → 1:52, end not set → 3:04.')
      .and.include('Start at 1:52 (from=112 in the address, as Kinorill takes it)');
    expect(await done('set opening-talk fit=shape max-width=720 align=centre'))
      .to.include('Revision 3')
      .and.include('never wider than 720 px');
    expect(await done('set opening-talk fit=shape')).to.equal(
      'Nothing differs: opening-talk stays at revision 3.\n',
    );
    await done(`add site hollinfell http://hollinfell.localhost:${test.world.port} --name "Hollin Fell"`);
    await done('add page hollinfell/talks --title Talks');
    expect(await done('add spot hollinfell/talks#opening desktop=728')).to.include('358 px wide on a phone');
    expect(await done('place opening-talk hollinfell/talks#opening')).to.include('prints what to paste');
    expect(await done('sweep'))
      .to.include('planned')
      .and.include('1 page read: 1 planned.');

    const code = await done('code opening-talk hollinfell/talks#opening');
    expect(code).to.match(/^<iframe .*data-orbis="[0-9a-z]{10}\.1".*<\/iframe>\n$/);
    const edit = `http://hollinfell.localhost:${test.world.port}/edit/talks`;
    const published = await loopbackFetch()(edit, {
      method: 'POST',
      redirect: 'manual',
      body: new URLSearchParams({ 'spot-opening': code }).toString(),
      headers: { 'content-type': 'application/x-www-form-urlencoded' },
    });
    expect(published.status).to.equal(303);

    expect(await done('sweep hollinfell/talks'))
      .to.match(/hollinfell\/talks {2}opening {2}opening-talk {2}live/)
      .and.include('1 page read: 1 live.');
    expect(await done('where opening-talk')).to.match(/hollinfell\/talks#opening {2}live {3}3 /);

    const { page, context } = await newWindow();
    await page.goto(`http://hollinfell.localhost:${test.world.port}/talks`);
    await expectClip(page, page.frameLocator('iframe[data-orbis]'));
    await context.close();
  });

  it('says at once, and by its exit status, that a page carries an older code', async () => {
    expect(await done('set opening-talk end=2:30')).to.include('may carry an earlier code now');
    const where = await orbis('where opening-talk');
    expect(where.exit).to.equal(1);
    expect(where.out).to.match(/out of date {2}3 of 4/);
    const sweep = await orbis('sweep');
    expect(sweep.exit).to.equal(1);
    expect(sweep.out).to.include('The page still carries the code of revision 3; the newest is 4.');
    expect(await done('history hollinfell/talks')).to.include(
      'opening-talk in opening: live, then out of date\n',
    );
    await done('unset opening-talk end');
    await done('set opening-talk end=3:04');
    expect(await done('where opening-talk')).to.match(/live {3}3 of 6/);
  });

  it('sets at one place only, says where each value comes from, and takes it back there', async () => {
    const set = await done('set opening-talk@hollinfell/talks#opening max-width=320');
    expect(set)
      .to.match(/max-width +320 +here +720 from the embed/)
      .and.match(/start +1:52 +from the embed/);
    expect(await done('show embed opening-talk@hollinfell/talks#opening')).to.equal(set);
    expect(await done('code opening-talk')).to.include('max-width:320px');
    const onPhones = await done('set opening-talk@hollinfell/talks#opening max-width.phone=300');
    expect(onPhones)
      .to.match(/max-width\.phone +300 +here/)
      .and.match(/Not carried: max-width\.phone\. What holds only on phones needs/);
    await done('unset opening-talk@hollinfell/talks#opening max-width.phone');
    expect((await orbis('set opening-talk@hollinfell/talks#elsewhere max-width=320')).err).to.include(
      'It is in: hollinfell/talks#opening.',
    );
    expect(await done('change site hollinfell loop=on --kind video')).to.match(/Of videos +loop=on/);
    expect(await done('unset opening-talk@hollinfell/talks#opening max-width'))
      .to.match(/max-width +720 +from the embed/)
      .and.match(/loop +on +from the site/);
    expect(await done('change site hollinfell --kind video --unset loop')).not.to.include('loop=on');
    expect(await done('change site hollinfell head=yes')).to.include(
      'yes: loaders and styles go there once a page',
    );
    expect(
      await done('change site hollinfell --also "https://www.fell.example/, https://try.fell.example"'),
    ).to.match(/Also at +https:\/\/www\.fell\.example, https:\/\/try\.fell\.example\n/);
    expect((await orbis('change site hollinfell --also www')).err).to.include('“www”');
    expect(await done('change site hollinfell --also none')).to.not.include('Also at');
    expect((await orbis('change site hollinfell head=perhaps')).exit).to.equal(2);
    await done('change site hollinfell head=no');
  });

  it('gives the interface’s own data with --json, wherever the option stands', async () => {
    const placements = JSON.parse(await done('list placements --json')) as { place: string; state: string }[];
    expect(placements).to.have.length(1);
    expect(placements[0]).to.include({ place: 'hollinfell/talks#opening', state: 'live' });
    expect(JSON.parse(await done('--json show embed opening-talk'))).to.include({
      key: 'opening-talk',
      revision: 6,
    });
    expect(JSON.parse(await done('code opening-talk --json'))).to.include({ number: 3 });
    expect(JSON.parse(await done('explain opening-talk --json')))
      .to.have.property('edits')
      .with.length(2);
    expect(JSON.parse(await done('sweep --json'))).to.deep.include({ state: 'done', counts: { live: 1 } });
  });

  it('gives back the paste byte for byte', async () =>
    expect(await done('show embed opening-talk --pasted')).to.equal(talkCode(test.world.port)));

  it('collects what was pasted wrongly as its mending, and keeps the paste', async () => {
    expect((await orbis('collect - --name Mended', '&lt;b class="x"&gt;x&lt;/b&gt;')).err).to.include(
      '--mend',
    );
    expect(await done('collect - --name Mended --mend', '&lt;b class="x"&gt;x&lt;/b&gt;')).to.include(
      'Collected as mended.',
    );
    expect(await done('code mended --bare')).to.equal('<b class="x">x</b>\n');
    expect(await done('show embed mended --pasted')).to.equal('&lt;b class="x"&gt;x&lt;/b&gt;');
  });

  it('renames, tags, annotates, retires and restores; the key and the revision stay', async () => {
    const changed = await done(
      'change embed mended --name "Mended once" --tag one --tag two --notes "From a letter"',
    );
    expect(changed)
      .to.match(/Key +mended\n/)
      .and.match(/Name +Mended once\n/)
      .and.match(/Revision +1\n/)
      .and.include('one, two')
      .and.include('From a letter');
    expect(await done('change embed mended --untag ONE --retire'))
      .to.match(/Tags +two\n/)
      .and.match(/Retired +yes\n/);
    expect((await orbis('place mended hollinfell/talks#opening')).exit).to.equal(4);
    expect(await done('change embed mended --restore')).not.to.include('Retired');
    expect((await orbis('change embed mended')).exit).to.equal(2);
    expect((await orbis('change embed mended --retire --restore')).err).to.include('opposites');
  });

  it('takes a newer code into the same embed, and shows both', async () => {
    const newer = '<b class="x">newer</b>';
    expect(await done('renew mended -', newer)).to.include('<b class="x">[-x-]{+newer+}</b>');
    expect(await done('renew mended -', newer)).to.equal('Nothing differs: mended has this code already.\n');
    expect(await done('show embed mended --pasted')).to.equal(newer);
  });

  it('says who is signed in, where, and what needs attention; and where things are', async () => {
    const { exit, out } = await orbis('status');
    expect(out).to.match(new RegExp(`^Orbis +${test.url}\nSigned in as +\\S.*\nNeeds attention +`));
    expect(exit).to.equal(out.includes('Needs attention  nothing') ? 0 : 1);
    const data = JSON.parse((await orbis('status --json')).out) as { attention: object; url: string };
    expect(data.url).to.equal(test.url);
    expect(await done('open opening-talk')).to.equal(`${test.url}/collection/opening-talk\n`);
    const published = `http://hollinfell.localhost:${test.world.port}/talks\n`;
    expect(await done('open hollinfell/talks')).to.equal(published);
    expect(await done('open hollinfell/talks#opening')).to.equal(published);
    expect((await orbis('open nothing-there')).exit).to.equal(2);
  });

  it('lists what can be asked of one embed, with types and limits', async () => {
    const items = JSON.parse(await done('options opening-talk --json')) as Record<string, unknown>[];
    const named = (name: string) => items.find((item) => item['name'] === name);
    expect(named('start')).to.deep.include({ stage: 'settings', type: 'time', unit: 's', label: 'Start' });
    expect(named('max-width')).to.deep.include({ type: 'number', unit: 'px', example: 'max-width=800' });
    expect(named('zoom')).to.equal(undefined);
    expect((await orbis('options nothing-at-all')).err).to.include(
      'There is no kind, provider or embed “nothing-at-all”. Kinds: video, audio',
    );
  });

  it('refuses switches that say nothing here, and words that are none of a list', async () => {
    for (const [line, said] of [
      ['list sites --kind video', "unknown option '--kind'"],
      ['list placements --tag x', "unknown option '--tag'"],
      ['list embeds --kind film', 'Allowed choices are video, audio'],
      ['list placements --state gone', 'Allowed choices are planned, live'],
      ['list embeds --where kind=film', 'video, audio'],
      ['set opening-talk loop=on --dry-run', '--dry-run is for many embeds'],
      ['unset opening-talk loop --skip-impossible', '--skip-impossible is for many embeds'],
      ['show embed opening-talk@hollinfell/talks#opening --pasted', '--pasted is of an embed itself'],
      ['code opening-talk --bare --link', '--bare is without a place'],
      ['harvest x --tag y', '--tag is for what is collected'],
    ] as const) {
      const { exit, err } = await orbis(line);
      expect([exit, err], line).to.satisfy(
        ([status, text]: [number, string]) => status === 2 && text.includes(said),
      );
    }
    expect((await orbis('collect - --ask-nobody', '<b>x</b>')).err).to.include('--ask-nobody is for a link');
  });

  it('shows, changes and removes everything by the same verbs', async () => {
    await done('add page hollinfell/verbs --title Verbs');
    await done('add spot hollinfell/verbs#one phone=300');
    expect(await done('show page hollinfell/verbs')).to.match(/Title +Verbs\n[^]*Spots +one \(0 placed\)/);
    expect(await done('change page hollinfell/verbs --title "All verbs"')).to.match(/Title +All verbs\n/);
    expect(await done('change spot hollinfell/verbs#one tablet=600')).to.match(
      /Size +300 px wide on a phone, 600 on a tablet, 760 on a desktop/,
    );
    expect(await done('show spot hollinfell/verbs#one')).to.match(/Placed in it +0\n/);
    const [placement] = JSON.parse(await done('list placements --embed opening-talk --json')) as {
      id: string;
    }[];
    expect(await done(`show placement ${placement!.id}`)).to.match(/Place +hollinfell\/talks#opening\n/);
    expect(await done('show revision opening-talk 2')).to.match(/Options +start=1:52 end=3:04\n/);
    expect(await done('show preset discreet')).to.match(/Preset +discreet \(built in\)\n/);
    await done('add preset verbs loop=on --meaning "All of them"');
    expect((await orbis('add preset verbs loop=on')).exit).to.equal(4);
    expect(await done('change preset verbs muted=on --unset loop')).to.match(
      /Options +muted=on\nMeaning +All of them\n/,
    );
    const [sweep] = JSON.parse(await done('list sweeps --json')) as { id: string }[];
    expect((await orbis(`show sweep ${sweep!.id}`)).out).to.include('opening-talk');
    const [change] = JSON.parse(await done('list changes --json')) as { id: string }[];
    expect(await done(`show change ${change!.id}`)).to.match(/What was done +Changed the preset verbs\n/);
    for (const thing of ['preset verbs', 'spot hollinfell/verbs#one', 'page hollinfell/verbs'])
      await done(`remove ${thing}`);
    expect((await orbis('show page hollinfell/verbs')).exit).to.equal(2);
  });

  it('takes back what was done last, whatever it was, and says so first', async () => {
    await done('change embed opening-talk --name "The opening talk"');
    await done('set opening-talk loop=on');
    expect(await done('undo --dry-run')).to.equal(
      'Would be taken back: Set options of opening-talk: loop=on.\n',
    );
    const undone = await orbis('undo');
    expect([undone.exit, undone.err, undone.out]).to.deep.equal([
      0,
      'Taking back: Set options of opening-talk: loop=on.\n',
      'Taken back. One place may carry another code now: paste the one of now there.\n',
    ]);
    expect((await orbis('undo')).err).to.equal('Taking back: Changed name of opening-talk.\n');
    expect(await done('show embed opening-talk')).to.match(/Name +Opening talk\n/);
  });

  it('says nothing with --quiet but what was asked for', async () => {
    expect(await orbis('set opening-talk loop=on --quiet')).to.deep.equal({ exit: 0, out: '', err: '' });
    expect(await orbis('--quiet undo')).to.deep.equal({ exit: 0, out: '', err: '' });
    expect((await orbis('code opening-talk --quiet')).out).to.include('<iframe');
    expect((await orbis('list sites --quiet')).out).to.include('hollinfell');
    const refused = await orbis('set opening-talk loop=perhaps --quiet');
    expect([refused.exit, refused.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 2 && err !== '',
    );
  });

  it('finds embeds by host, by level and by kind', async () => {
    expect(await done('list embeds --host play.kinorill.localhost --kind video')).to.include('opening-talk');
    expect(await done('list --level error')).to.equal('Nothing in the collection fits that.\n');
  });

  it('shows what a page needs, all of its placements together, and says so with each place', async () => {
    const booking = (n: number): string =>
      `<div class="slotsedge-calendar" data-calendar="c${n}"></div><script async src="https://cdn.slotsedge.localhost/booking.js"></script>`;
    await done('add page hollinfell/nights --title Nights');
    expect(await done('plan hollinfell/nights')).to.include('Nothing is placed on hollinfell/nights yet');
    for (const n of [1, 2]) {
      await done(`collect - --name "Nights ${n}"`, booking(n));
      await done(`add spot hollinfell/nights#s${n}`);
      await done(`place nights-${n} hollinfell/nights#s${n}`);
    }
    expect((await done('plan hollinfell/nights')).split('booking.js')).to.have.length(2);
    await done('change site hollinfell head=yes');
    const plan = await done('plan hollinfell/nights');
    expect(plan).to.match(
      /^1\. Paste – into the head of the page, for 2 placements\n<script async src="[^"]*booking.js"><\/script>\n\n2\. Paste – hollinfell\/nights#s1\n<div data-orbis/,
    );
    expect((await orbis('code nights-2')).err).to.include('“orbis plan hollinfell/nights” shows it.');
    expect(await done('plan hollinfell/talks')).to.match(
      /^1\. (?:Already there|Replace) – hollinfell\/talks#\w+\n/,
    );
    await done('change site hollinfell head=no');
  });

  it('sets what only one provider has, and refuses it elsewhere with what was meant', async () => {
    await done('collect stallmere:512 --name Stall button=Mine');
    expect(await done('set stall badge=https://hollinfell.localhost/badge.png')).to.include(
      'badge not set → https://hollinfell.localhost/badge.png',
    );
    expect(await done('show embed stall')).to.include('button=Mine');
    expect(await done('unset stall button')).to.include('button Mine → not set');
    const refused = await orbis('set opening-talk button=Mine');
    expect([refused.exit, refused.err]).to.deep.equal([2, 'Kinorill does not offer button.\n']);
    expect((await orbis('set opening-talk buton=Mine')).err).to.include('There is no option called “buton”');
    await done('change site hollinfell stallmere.button=Mine');
    expect(await done('show site hollinfell')).to.include('stallmere.button=Mine');
    await done('change site hollinfell --unset stallmere.button');
  });

  it('collects a link, with options in the same breath', async () => {
    const comet = await orbis(
      `collect http://kinorill.localhost:${test.world.port}/films/cM7comet --name Comet start=41`,
    );
    expect(comet.err).to.match(/^Asking kinorill\.localhost:\d+ for what it knows of this link/);
    expect(comet.out)
      .to.include('start=0:41')
      .and.include('What a comet leaves behind, by Hollin Fell Observatory');
    expect(
      await done(
        `collect http://kinorill.localhost:${test.world.port}/films/rG5rings --name Rings --ask-nobody`,
      ),
    ).not.to.include('Title');
    expect(await done('code comet --bare'))
      .to.include('/film/cM7comet?from=41"')
      .and.not.include('data-orbis');
    expect(await done('list embeds --where comet')).to.match(/^comet {2}/m);
  });

  for (const [line, exit, said] of [
    ['collect nothere.html --name X', 2, 'there is no such file'],
    ['collect - --name X', 2, 'There is nothing in what was pasted.'],
    ['set opening-talk stat=3', 2, 'Did you mean “start”?'],
    ['set opening-talk start=soon', 2, '“soon” is not a value for start; it takes a time such as 1:52'],
    ['set opening-talk end=0:10', 2, 'The end (0:10) is not after the start (1:52).'],
    ['set opening-talk autoplay=on muted=off', 2, 'Browsers let nothing with sound play by itself.'],
    ['set nobody start=1', 2, 'There is no embed “nobody”.'],
    ['place opening-talk talks', 2, '“talks” is not a place.'],
    ['place opening-talk hollinfell/talks#nowhere', 2, 'There is no spot “hollinfell/talks#nowhere”.'],
    ['place opening-talk hollinfell/talks#opening', 4, 'is in hollinfell/talks#opening already'],
    ['code comet', 2, 'comet is not placed anywhere.'],
    ['list placements --where "state=gone"', 2, '“gone” is not a value of state; there are: planned, live'],
    ['list placements --where "state=live or site=x"', 2, 'This list is searched by a value for each field'],
    ['list pages --where "state=live"', 2, 'There is no field “state”. There are: site.'],
    ['add spot hollinfell/talks#x wide=3', 2, 'is not a size'],
    ['frobnicate', 2, "unknown command 'frobnicate'"],
    ['list nonsense', 2, 'There is no list of “nonsense”. There are: embeds, revisions, presets, sites,'],
    ['show nonsense', 2, "unknown command 'nonsense'"],
    ['remove session', 2, 'Say which session, or --all.'],
    ['change site hollinfell', 2, 'Say what to change: head=yes,'],
    ['change preset discreet', 2, 'Say what to change: an option,'],
    ['check', 2, 'Say which file, or --schema.'],
  ] as const) {
    it(`refuses “${line}” with status ${exit}`, async () => {
      const ran = await orbis(line);
      expect(ran.err).to.include(said);
      expect(ran.exit).to.equal(exit);
      expect(ran.out).to.equal('');
    });
  }

  it('says that a service does not answer, with status 3', async () => {
    const ran = await run(['list', 'embeds'], { env: { ORBIS_URL: 'http://127.0.0.1:1', ORBIS_TOKEN: 'x' } });
    expect(ran.exit).to.equal(3);
    expect(ran.err).to.match(/Orbis does not answer at http:\/\/127\.0\.0\.1:1/);
  });

  it('signs in with the password, keeps the token to itself, and signs out', async () => {
    const env = { XDG_CONFIG_HOME: folder };
    expect((await run(['login', test.url, '--password-stdin'], { env, stdin: 'wrong\n' })).exit).to.equal(4);
    expect(
      (await run(['login', test.url, '--password-stdin'], { env, stdin: `${password}\n` })).exit,
    ).to.equal(0);
    const file = join(folder, 'orbis/login.json');
    expect(statSync(file).mode & 0o777).to.equal(0o600);
    expect((await run(['list', 'embeds'], { env })).exit).to.equal(0);
    const tokens = (await test.client.call('tokens.list')).data.items.length;
    expect((await run(['logout'], { env })).exit).to.equal(0);
    expect((await test.client.call('tokens.list')).data.items).to.have.length(tokens - 1);
  });

  it('tells of an error beside the code, of a twin, of what else is in a spot, and asks before another thing', async () => {
    const half = '<div class="slotsedge-calendar" data-calendar="x"></div>';
    expect((await orbis('collect - --name Half', half)).exit).to.equal(1);
    const bare = await orbis('code half --bare');
    expect([bare.exit, bare.out.trim()]).to.deep.equal([1, half]);
    expect(bare.err).to.match(/^error in half: This is half of a code/);
    expect((await orbis('collect - --name Again', half)).out).to.include(
      'The same code is in the collection already, as half. If one is enough: orbis change embed again --retire\n',
    );
    await done('add spot hollinfell/talks#twins');
    await done('place half hollinfell/talks#twins');
    expect(await done('place again hollinfell/talks#twins')).to.include('In the same spot is already: half.');
    await done('change embed again --retire');
    expect(await orbis('code again hollinfell/talks#twins')).to.deep.include({ exit: 4, out: '' });
    for (const placement of ['half', 'again'])
      await done(
        `remove placement ${(JSON.parse(await done(`where ${placement} --json`)) as { id: string }[])[0]!.id}`,
      );
    const newer = '<div class="slotsedge-calendar" data-calendar="y"></div>';
    const refused = await orbis('renew half -', newer);
    expect([refused.exit, refused.err]).to.satisfy(
      ([exit, err]: [number, string]) => exit === 4 && err.includes('has been x, and this is y'),
    );
    expect(refused.err).to.include('--anyway');
    expect((await orbis('renew half - --anyway', newer)).out).to.include('data-calendar="[-x-]{+y+}"');
  });

  it('runs as a program of its own', async () => {
    const main = new URL('../src/main.ts', import.meta.url).pathname;
    const { stdout } = await promisify(execFile)(
      process.execPath,
      ['--import=tsx', '--conditions=development', main, 'where', 'opening-talk'],
      {
        env: { ...process.env, ORBIS_URL: test.url, ORBIS_TOKEN: test.token },
      },
    );
    expect(stdout).to.include('hollinfell/talks#opening');
  });
});
