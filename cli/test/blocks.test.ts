import { expect } from 'chai';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with blocks', () => {
  let test: TestOrbis;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    const body = { name: 'Talk', text: talkCode(test.world.port) };
    await test.client.call('embeds.create', { body });
  });
  after(() => test.stop());

  it('adds one, says which pages show it, and has spots in it as pages have', async () => {
    const added = await orbis('add block hollinfell/{site-foot} --under /ta --before');
    expect(added.out)
      .to.match(/^Title +Site foot$/m)
      .and.match(/^Pages +Pages whose paths begin with ta show it, before their own content\.$/m);
    await orbis('change block hollinfell/site-foot --under "" --after');
    expect((await orbis('show block hollinfell/{site-foot}')).out).to.match(
      /^Pages +Every page of the site shows it, after its own content\.$/m,
    );
    expect((await orbis('add spot hollinfell/{site-foot}#main')).exit).to.equal(0);
    expect((await orbis('list pages')).out).to.match(/^hollinfell\/\{site-foot\} +Site foot +main/m);
  });

  it('plans it by itself, and names it with the plans of its pages', async () => {
    await orbis('place talk hollinfell/{site-foot}#main');
    expect((await orbis('plan hollinfell/{site-foot}')).out)
      .to.match(/^Pasted once\. Every page of the site shows it, after its own content\.$/m)
      .and.match(/^1\. Paste – hollinfell\/\{site-foot\}#main$/m);
    expect((await orbis('plan hollinfell/talks')).out.replaceAll(/\s+/g, ' ')).to.include(
      'The page shows “Site foot” as well, with one embed.',
    );
    expect((await orbis('plan hollinfell/{site-foot} --sheet')).out).to.include('Pasted once. Every page');
  });

  it('says what is no block, and what was not said', async () => {
    const wrong = await orbis('show block hollinfell');
    expect([wrong.exit, wrong.err]).to.deep.equal([
      2,
      '“hollinfell” is not a place. A place is written site/path#spot, for example hollinfell/talks#main; the home page is hollinfell/#main.\n',
    ]);
    expect((await orbis('change block hollinfell/{site-foot}')).exit).to.equal(2);
    expect((await orbis('add block hollinfell/{x} --before --after')).exit).to.equal(2);
    expect((await orbis('change block hollinfell/{none} --before')).err).to.include('There is no page');
  });

  it('removes it, with what is in it where that is agreed to', async () => {
    const held = await orbis('remove block hollinfell/{site-foot}');
    expect([held.exit, held.err.includes('--end-placements')]).to.deep.equal([4, true]);
    const gone = await orbis('remove block hollinfell/{site-foot} --end-placements');
    expect(gone.out).to.equal('Removed the block hollinfell/{site-foot}, and ended 1 placement.\n');
    await orbis('undo');
    expect((await orbis('show block hollinfell/{site-foot}')).exit).to.equal(0);
  });
});
