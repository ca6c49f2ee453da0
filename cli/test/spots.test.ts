import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import { startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with how large spots are and where', () => {
  let test: TestOrbis;
  let folder: string;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis({ env: { ORBIS_ALLOW_PRIVATE: 'yes' } });
    folder = mkdtempSync(join(tmpdir(), 'orbis-spots-'));
    await orbis(`add site hollinfell http://hollinfell.localhost:${test.world.port}`);
    await orbis('add page hollinfell/talks');
  });
  after(async () => {
    await test.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  const size = async (spot: string): Promise<string> =>
    /^Size +(\S.*)$/m.exec((await orbis(`show spot hollinfell/talks#${spot}`)).out)![1]!;

  it('takes widths, sizes and what the trade calls them', async () => {
    await orbis('add spot hollinfell/talks#plain tablet=700');
    expect(await size('plain')).to.equal('358 px wide on a phone, 700 on a tablet, 760 on a desktop');
    await orbis('add spot hollinfell/talks#advert phone-banner desktop=leaderboard');
    expect(await size('advert')).to.equal('320×50 px on a phone, 320×50 on a tablet, 728×90 on a desktop');
    await orbis('change spot hollinfell/talks#advert 300x250 phone=300');
    expect(await size('advert')).to.equal(
      '300 px wide on a phone, 300×250 on a tablet, 300×250 on a desktop',
    );
    for (const [word, line] of [
      ['wide', 'add spot hollinfell/talks#x wide'],
      ['728', 'add spot hollinfell/talks#x 728'],
      ['watch=300', 'change spot hollinfell/talks#plain watch=300'],
    ] as const) {
      const { exit, err } = await orbis(line);
      expect([exit, err]).to.deep.equal([
        2,
        `“${word}” is not a size. Write phone=358 tablet=704 desktop=760, in px, phone=320x50, or a fixed size such as medium-rectangle.\n`,
      ]);
    }
    const nothing = await orbis('change spot hollinfell/talks#plain');
    expect([nothing.exit, nothing.err]).to.deep.equal([
      2,
      'Say how large it is now, such as desktop=728, or where: --at main.\n',
    ]);
  });

  it('lists what of a page can be one, and writes its picture', async () => {
    const file = join(folder, 'talks.png');
    const { exit, out } = await orbis(`areas hollinfell/talks --picture ${file}`);
    expect(exit).to.equal(0);
    expect(out).to.match(/^where +phone +tablet +desktop +spot +begins with\n/);
    expect(out).to.match(/\nmain +358 px +736 px +760 px +– +Talks Parts of our/);
    expect(existsSync(file)).to.equal(true);
  });

  it('measures what is named, but for what is typed, and remembers where it is', async () => {
    const made = await orbis('add spot hollinfell/talks#main --at main');
    expect([made.exit, made.out]).to.deep.equal([
      0,
      'Added the spot hollinfell/talks#main: 358 px wide on a phone, 736 on a tablet, 760 on a desktop.\n',
    ]);
    const changed = await orbis('change spot hollinfell/talks#plain tablet=700 --at header');
    expect(changed.out)
      .to.match(/^Size +\d+ px wide on a phone, 700 on a tablet, 1232 on a desktop$/m)
      .and.match(/^Where +header$/m);
    await orbis('change spot hollinfell/talks#plain desktop=500');
    expect((await orbis('show spot hollinfell/talks#plain')).out)
      .to.match(/^Where +header$/m)
      .and.include('500 on a desktop');
    expect((await orbis('change spot hollinfell/talks#main --at none')).out).to.match(
      /^Where +nobody said it$/m,
    );
    expect((await orbis('areas hollinfell/talks --at header')).out).to.match(
      /^header .* plain +Hollin Fell/m,
    );
    const nowhere = await orbis('add spot hollinfell/talks#x --at .nowhere');
    expect(nowhere.exit).to.equal(2);
    expect(nowhere.err).to.include('Nothing on hollinfell/talks is at “.nowhere”');
  });
});
