import { expect } from 'chai';
import { declareSite, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with spots that many pages have', () => {
  let test: TestOrbis;
  const orbis = (line: string): Promise<Ran> => typedAt(test)(line);
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test, ['aside']);
    await orbis('add page hollinfell/visit');
  });
  after(() => test.stop());

  it('says one once for all pages, changes it, and has it on a page like any other', async () => {
    expect((await orbis('list shared-spots')).out).to.match(/^No spot is there on many pages yet\./);
    const added = await orbis('add shared-spot hollinfell#main desktop=480 --under /vis');
    expect(added.out).to.match(/^Pages +pages whose paths begin with vis$/m);
    expect((await orbis('list pages --site hollinfell')).out).to.match(/^hollinfell\/visit +visit +main/m);
    await orbis('change shared-spot hollinfell#main phone=300 --under ""');
    expect((await orbis('show shared-spot hollinfell#main')).out).to.match(/^Pages +every page$/m);
    expect((await orbis('show spot hollinfell/visit#main')).out)
      .to.match(/^Size +300 px wide on a phone, 704 on a tablet, 480 on a desktop$/m)
      .and.match(/^Said for +all pages that have it$/m);
    expect((await orbis('list shared-spots --site hollinfell --json')).out).to.include('"hollinfell#main"');
  });

  it('gives one page a size of its own, and takes that back', async () => {
    const own = await orbis('change spot hollinfell/visit#main desktop=900');
    expect(own.out).to.include('900 on a desktop').and.not.include('Said for');
    expect((await orbis('change spot hollinfell/visit#main desktop=900 --shared')).err).to.include(
      'leave the rest out',
    );
    const again = await orbis('change spot hollinfell/visit#main --shared');
    expect(again.out).to.include('480 on a desktop').and.include('Said for');
    const none = await orbis('change spot hollinfell/talks#aside --shared');
    expect([none.exit, none.err]).to.deep.equal([
      2,
      'There is no shared spot “hollinfell#aside”. “orbis list shared-spots” shows what there is.\n',
    ]);
  });

  it('measures it on a page that is said', async () => {
    const where = await orbis('add shared-spot hollinfell#wide --at main');
    expect([where.exit, where.err]).to.deep.equal([
      2,
      'Say on which page it is measured: --on SITE/PATH. Or type its size.\n',
    ]);
    expect((await orbis('change shared-spot hollinfell#main')).exit).to.equal(2);
    expect((await orbis('show shared-spot hollinfell/main')).err).to.match(
      /^“hollinfell\/main” is not a spot/,
    );
  });

  it('says it no more, and that is taken back', async () => {
    expect((await orbis('remove shared-spot hollinfell#main')).out).to.match(/^Removed the shared spot/);
    await orbis('undo');
    expect((await orbis('show shared-spot hollinfell#main')).exit).to.equal(0);
  });
});
