import { expect } from 'chai';
import type { FoundPages } from '@orbis/contract';
import { declareSite, startTestOrbis, type TestOrbis } from '../../service/test/support/orbis.ts';
import { typedAt, type Ran } from './support.ts';

describe('the command line, with the pages of a site', () => {
  let test: TestOrbis;
  before(async () => {
    test = await startTestOrbis();
    await declareSite(test);
  });
  after(() => test.stop());
  const orbis = (line: string, stdin?: string): Promise<Ran> => typedAt(test)(line, stdin);

  it('finds them by its sitemap, adds those that are new, and takes them out again', async () => {
    const { exit, out } = await orbis('pages hollinfell');
    expect(exit).to.equal(0);
    expect(out)
      .to.match(/\nhollinfell\/talks +Talks +in the register\n/)
      .and.match(/\nhollinfell\/stories\/twelve-winters +Twelve winters +new\n/)
      .and.include('5 pages found; for that 3 addresses were read.')
      .and.include('4 of them new. “orbis pages hollinfell --add” adds them.');
    expect((await orbis('pages hollinfell --add')).out).to.include('Added 4 pages to hollinfell.');
    expect((await orbis('pages hollinfell')).out).to.include('The register has them all.');
    expect((await orbis('undo')).out).to.include('Taken back');
    expect((await orbis('list pages')).out).to.not.include('twelve-winters');
  });

  it('follows its links', async () => {
    const { out } = await orbis('pages hollinfell --links --most 3 --json');
    const { pages, isCut } = JSON.parse(out) as FoundPages;
    expect(pages.map(({ path }) => path)).to.have.length(3);
    expect([pages[0]!.path, isCut]).to.deep.equal(['', true]);
  });

  it('takes a list, and says which line is none', async () => {
    const list = '/visit\nhttp://hollinfell.localhost:PORT/map'.replace('PORT', String(test.world.port));
    expect((await orbis('pages hollinfell -', list)).out).to.include(
      '2 pages. “orbis pages hollinfell - --add” adds them.',
    );
    expect((await orbis('pages hollinfell - --add', `${list}\n/talks`)).out).to.include(
      'Added 2 pages to hollinfell; 1 was there already.',
    );
    for (const [words, stdin, status, said] of [
      [
        'pages hollinfell -',
        '/visit\nhttps://other.localhost/',
        2,
        'Line 2: “https://other.localhost/” is no page of',
      ],
      ['pages hollinfell -', '# nothing', 2, 'There is no page in “-”.'],
      ['pages hollinfell - --links', '/a', 2, 'leave out --links'],
      ['pages hollinfell --most many', '', 2, 'It should be a whole number.'],
      ['pages hollinfell --most 6000', '', 2, '5000'],
      ['pages hollinfell --sitemap http://hollinfell.localhost:1/x', '', 3, 'No sitemap could be read at'],
      ['pages nosuch', '', 2, 'nosuch'],
    ] as const) {
      const { exit, err } = await orbis(words, stdin);
      expect([exit, err.includes(said)], `${words}: ${err}`).to.deep.equal([status, true]);
    }
  });
});
