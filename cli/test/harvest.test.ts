import { fileURLToPath } from 'node:url';
import { expect } from 'chai';
import type { Comparison, Harvest, Revision } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with what is on pages and what was before', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);
  const done = async (line: string, stdin?: string): Promise<string> => {
    const { exit, out, err } = await orbis(line, stdin);
    expect(exit, `${line}\n${out}${err}`).to.equal(0);
    return out;
  };
  const saved = fileURLToPath(new URL('../../core/test/pages/boxes.html', import.meta.url));

  it('harvests a page that the service reads, and collects what is chosen', async () => {
    const { exit, out } = await orbis(
      `harvest http://hollinfell.localhost:${test.world.port}/stories/twelve-winters`,
    );
    // A place on it has lost its script.
    expect(exit).to.equal(1);
    expect(out)
      .to.include('Twelve winters on the moor · Hollin Fell Observatory\n7 embeds on it.')
      .and.match(/\n6 +The dome \(video\) +video +The dome +\d+ +none +your own file\n/)
      .and.match(
        /\n2 +The first talk: rings and what is between them +video +The first talk +\d+ +none +new\n/,
      )
      .and.include('error loader-missing')
      .and.include('warning loader-repeated');
    const id = /orbis harvest (\w+) --take all/.exec(out)![1]!;
    expect((await orbis(`harvest ${id} --take 1 2 --tag stories`)).out)
      .to.include('taken as the-first-talk-rings-and-what-is-between-them')
      .and.match(/Collected \S+, the-first-talk-rings-and-what-is-between-them\./);
    expect((await orbis(`harvest ${id} --take 2`)).exit).to.equal(4);
    expect((await orbis(`harvest ${id} --take two`)).exit).to.equal(2);
    expect((await orbis(`harvest ${id} --take all`)).out)
      .to.include('taken as')
      .and.not.match(/ new\n/);
    expect((await orbis(`harvest ${id}`)).out).to.include('All of it is in the collection.');
    expect(await done('list harvests')).to.match(
      /Twelve winters on the moor · Hollin Fell Observatory +7 +6 +0/,
    );
    expect(await done('list --tag stories')).to.include('the-first-talk');
  });

  it('harvests a saved page, and gives the interface’s own data', async () => {
    const { out, exit } = await orbis(`harvest ${saved} --json`);
    const harvest = JSON.parse(out) as Harvest;
    expect([exit, harvest.address, harvest.found]).to.deep.equal([1, 'boxes.html', 4]);
    expect(await done('harvest -', '<h1>x</h1>')).to.include('no embed was found on it');
    expect((await orbis('harvest http://hollinfell.localhost:1/x')).exit).to.equal(3);
    expect((await orbis('harvest nothing-there.html')).err).to.include('there is no such file');
  });

  it('shows revisions, compares two and brings one back', async () => {
    await done('collect - --name "A talk"', talkCode(test.world.port));
    await done('set a-talk start=1:52 align=centre');
    expect(await done('list revisions a-talk')).to.match(
      /2 +\d+ \w+ \d{4}, \d\d:\d\d +1 +saved +start=1:52 align=centre\n1 +/,
    );
    const compared = await orbis('compare a-talk 1 2');
    expect(compared.exit).to.equal(1);
    expect(compared.out)
      .to.match(/start +not set +1:52\n/)
      .and.include('{+');
    expect(JSON.parse((await orbis('compare a-talk 1 2 --json')).out) as Comparison).to.have.property(
      'sourceDiffers',
      false,
    );
    expect(await done('compare a-talk 2 2')).to.equal('Nothing differs between revisions 2 and 2.\n');
    expect(await done('bring-back a-talk 1'))
      .to.include('Revision 3 of a-talk is revision 1 again.')
      .and.include('it goes out as it was pasted');
    expect(await done('bring-back a-talk 1')).to.include('Nothing differs');
    expect((await orbis('bring-back a-talk 9')).err).to.include('has revisions 1 to 3');
    expect(JSON.parse(await done('list revisions a-talk --json')) as Revision[]).to.have.length(3);
  });

  it('duplicates an embed', async () => {
    expect(await done('copy embed a-talk --name "A talk for home"'))
      .to.include('Made a-talk-for-home, a copy of a-talk.')
      .and.match(/Placed +nowhere yet/);
    expect((await orbis('copy embed a-talk')).exit).to.equal(2);
  });

  it('mends the faults that are named, and no others', async () => {
    const wrong = '<ifrmae src="http://mapmere.localhost/embed?a=1?b=2" title="Map"></ifrmae>';
    expect(await done('collect - --name Named --mend misspelt second-question-mark', wrong)).to.include(
      'Collected as named.',
    );
    expect(await done('code named --bare')).to.equal(
      '<iframe src="http://mapmere.localhost/embed?a=1&amp;b=2" title="Map"></iframe>\n',
    );
    expect(await done('show embed named --pasted')).to.equal(wrong);
  });
});
