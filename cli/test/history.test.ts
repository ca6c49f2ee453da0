import { expect } from 'chai';
import type { Happened, Inspection, Loss } from '@orbis/contract';
import { declareSite, startTestOrbis, talkCode, type TestOrbis } from '../../service/test/support/orbis.ts';
import { publishedWith, type Published } from '../../service/test/support/published.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, about what happened', () => {
  let test: TestOrbis;
  let work: Published;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
    work = publishedWith(test);
    await work.collect('Talk', talkCode(test.world.port));
    const id = await work.place('talk', 'opening');
    await work.publish((await work.delivered(id)).text);
    await orbis('sweep hollinfell');
  });
  after(() => test.stop());

  it('tells of an embed, a site and a page, and of nothing twice where a page was read', async () => {
    expect((await orbis('history hollinfell/')).exit, 'no such page').to.equal(2);
    await test.client.call('pages.create', { body: { key: 'hollinfell/new', title: 'New' } });
    expect((await orbis('history hollinfell/new')).err).to.contain('has not been read yet');
    expect((await orbis('history talk')).out).to.match(
      /^.+\n {2}talk in hollinfell\/talks#opening: planned, then live\n(.+\n)? {2}Placed talk in hollinfell\/talks#opening \(Tester\)\n(.+\n)? {2}Collected talk \(Tester\)\n$/,
    );
    expect((await orbis('history hollinfell')).out).to.contain('  Added the site hollinfell (Tester)\n');
    const page = (await orbis('history hollinfell/talks')).out;
    expect(page)
      .to.contain('  talk in opening: live\n')
      .and.contain('  Added the page hollinfell/talks (Tester)\n');
    expect(page.match(/live/g)).to.have.length(1);
    const { out } = await orbis('history talk --json');
    expect((JSON.parse(out) as Happened[])[0]!.seen).to.deep.include({ was: 'planned', state: 'live' });
  });

  it('asks which is meant where an embed and a site have the same key', async () => {
    await work.collect('Hollinfell', talkCode(test.world.port, 'other'));
    expect(await orbis('history hollinfell')).to.include({
      exit: 2,
      err: 'hollinfell is an embed and a site: say --embed or --site.\n',
    });
    expect((await orbis('history hollinfell --embed')).out).to.contain('Collected hollinfell');
    expect((await orbis('history hollinfell --site')).out).to.contain('Added the site');
    expect((await orbis('history nosuch')).exit).to.equal(2);
    expect((await orbis('history hollinfell --embed --site')).exit).to.equal(2);
  });

  it('says what of a site works no longer, and how it was the last time', async () => {
    expect((await orbis('inspect hollinfell --last')).err).to.equal(
      'Nobody has checked everything of hollinfell yet: leave --last out.\n',
    );
    const well = await orbis('inspect hollinfell --looks 0');
    expect(well).to.include({ exit: 0, err: '' });
    expect(well.out).to.match(
      /^hollinfell, checked .+\nNothing was lost: 1 placement is as before\.\n\nNo page was looked at with a browser\.\n$/,
    );
    await work.publish('<p>Nothing</p>');
    const lost = await orbis('inspect hollinfell --looks 0');
    expect(lost.exit).to.equal(1);
    expect(lost.out).to.contain('1 thing works no longer; 0 placements are on their pages as before.');
    expect(lost.out).to.match(
      /\nerror Talk in hollinfell\/talks#opening\n(?: {2}.+\n)+ {2}It was well until .+\.\n/,
    );
    const again = JSON.parse((await orbis('inspect hollinfell --last --json')).out) as Inspection & {
      losses: Loss[];
    };
    expect(again).to.include({ lost: 1, state: 'done' });
    expect(again.losses[0]).to.include({ rule: 'missing', place: 'hollinfell/talks#opening' });
    expect((await orbis('inspect hollinfell --looks 41')).exit).to.equal(2);
    expect((await orbis('inspect nosuch')).exit).to.equal(2);
  });
});
